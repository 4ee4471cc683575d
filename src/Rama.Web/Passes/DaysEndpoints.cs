using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Data.Passes;
using Rama.Web.Accounts;

namespace Rama.Web.Passes;

/// <summary>A day of the year at all plantings, by site and variety.</summary>
/// <param name="Today">The day taken as today.</param>
/// <param name="Anchor">What happens that day.</param>
/// <param name="Noted">Plantings at which it is noted.</param>
/// <param name="Plantings">All plantings.</param>
/// <param name="Groups">Those of a variety on a site together.</param>
public sealed record DaysView(DateOnly Today, Anchor Anchor, int Noted, int Plantings, IReadOnlyList<DaysGroup> Groups);

/// <summary>The plantings of a variety on a site.</summary>
/// <param name="Site">Name of the site.</param>
/// <param name="Variety">The variety.</param>
/// <param name="Plantings">The plantings.</param>
public sealed record DaysGroup(string Site, string Variety, IReadOnlyList<DaysOfPlanting> Plantings);

/// <summary>The day at one planting.</summary>
/// <param name="Id">The planting.</param>
/// <param name="Code">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="Version">Version of its plan, to be sent back when saving; 0 without one.</param>
/// <param name="Day">When; null where it cannot be told.</param>
/// <param name="Basis">How it is known; null likewise.</param>
public sealed record DaysOfPlanting(Guid Id, string Code, string Name, uint Version, DateOnly? Day, AnchorBasis? Basis);

/// <summary>Days to note at plantings.</summary>
public sealed record NoteDays
{
    /// <summary>The days.</summary>
    public IReadOnlyList<PlantingDay> Days { get; init; } = [];
}

internal static class DaysEndpoints
{
    private const int Most = 2_000;

    public static RouteGroupBuilder MapDays(this RouteGroupBuilder group)
    {
        group
            .MapGet("/days", Read)
            .WithSummary("A day of the year, such as green tip, at all plantings by site and variety");
        group
            .MapPut("/days", Save)
            .For(Act.Settings)
            .WithSummary("Note days of the year at many plantings, all of them or none");
        return group;
    }

    private static async Task<Results<Ok<DaysView>, NotFound>> Read(
        PlantingYears years,
        CancellationToken cancel,
        string anchor = "greenTip"
    )
    {
        if (!Enum.TryParse<Anchor>(anchor, ignoreCase: true, out var asked) || !Enum.IsDefined(asked))
            return TypedResults.NotFound();
        var all = await years.ReadAsync(cancel);
        var told = all.Plantings.Select(p => (Year: p, At: p.Days.Find(asked))).ToList();
        return TypedResults.Ok(
            new DaysView(
                all.Today,
                asked,
                told.Count(p => p.At?.Basis == AnchorBasis.Recorded),
                told.Count,
                [
                    .. told.GroupBy(p => (p.Year.Planting.Site, p.Year.Planting.Line.Variety))
                        .OrderBy(g => g.Key.Site, StringComparer.OrdinalIgnoreCase)
                        .ThenBy(g => g.Key.Variety, StringComparer.OrdinalIgnoreCase)
                        .Select(g => new DaysGroup(
                            g.Key.Site,
                            g.Key.Variety,
                            [
                                .. g.OrderBy(p => p.Year.Planting.Line.Code, StringComparer.Ordinal)
                                    .Select(p => new DaysOfPlanting(
                                        p.Year.Planting.Id,
                                        p.Year.Planting.Line.Code,
                                        p.Year.Planting.Line.Name,
                                        p.Year.Planting.Version.Plan,
                                        p.At?.Day,
                                        p.At?.Basis
                                    )),
                            ]
                        )),
                ]
            )
        );
    }

    private static async Task<NoContent> Save(NoteDays body, NotedDaysStore store, CancellationToken cancel)
    {
        EntryReader reader = new();
        if (body.Days.Count is 0 or > Most)
            reader.Add("days", "range", $"Days: expected 1 to {Most}.");
        reader.ThrowIfAny();
        await store.SaveAsync(body.Days, cancel);
        return TypedResults.NoContent();
    }
}
