using System.Text.Json;
using Rama.Core.Crops;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Plan;
using Rama.Core.Season;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Season;

namespace Rama.Web.Season;

/// <summary>The season page as it was last worked out, shown while it is worked out anew.</summary>
internal sealed class KeptSeason(
    KeptSeasonStore store,
    SeasonStore seasons,
    EstateStore estates,
    SeasonDesk desk,
    EstateScope scope,
    TimeProvider clock
)
{
    /// <summary>The page as it was last worked out, with what is not yet told as bare lines.</summary>
    /// <param name="season">Season of the page; the one at hand when left out.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<SeasonView> ReadAsync(int? season, CancellationToken cancel)
    {
        var estate = await estates.ReadAsync(cancel);
        var shown = season ?? estate.Season;
        var versions = (await seasons.VersionsAsync(shown, cancel)).ToDictionary(v => v.Id);
        var kept = shown == estate.Season ? await store.ReadAsync(shown, cancel) : null;
        List<SeasonLine> lines = [];
        foreach (var line in kept?.Lines ?? [])
            if (versions.GetValueOrDefault(line.Planting) is { } now && Read<SeasonLine>(line.Told) is { } told)
                lines.Add(
                    told with
                    {
                        Site = now.Site,
                        Block = now.Block,
                        IsPending = (now.Planting, now.Plan) != (line.PlantingVersion, line.PlanVersion),
                    }
                );
        var known = lines.Select(l => l.Id).ToHashSet();
        if (known.Count < versions.Count)
            lines.AddRange(
                (await seasons.BareAsync(cancel))
                    .Where(p => versions.ContainsKey(p.Id) && !known.Contains(p.Id))
                    .Select(p => Bare(p, versions[p.Id]))
            );
        var page = kept is { Told: var whole } ? Read<SeasonView>(whole) : null;
        return (page ?? Bare(estate, shown)).With(lines) with
        {
            Estate = estate.Name,
            Seasons = await seasons.SeasonsAsync(estate.Season, cancel),
            Today = estate.TodayBy(clock),
            CrewHoursTold = estate.CrewHoursPerWeek,
            EstateVersion = estate.Version,
            BodyMarks = estate.ToBodyMarks(),
            Currency = estate.Currency,
            Pending = new(desk.Left(scope.EstateId, season), versions.Count),
        };
    }

    /// <summary>Keeps a page; false where it could not be.</summary>
    public Task<bool> KeepAsync(WorkedSeason worked, CancellationToken cancel) =>
        store.KeepAsync(
            worked.View.Season,
            JsonSerializer.Serialize(worked.View with { Plantings = [] }, StrictJson.Options),
            [
                .. worked.View.Plantings.Select(l => new KeptLine(
                    l.Id,
                    worked.Versions[l.Id].Planting,
                    worked.Versions[l.Id].Plan,
                    JsonSerializer.Serialize(l, StrictJson.Options)
                )),
            ],
            cancel
        );

    // What an earlier version of Rama kept in another form is as good as none.
    private static T? Read<T>(string told)
        where T : class
    {
        try
        {
            return JsonSerializer.Deserialize<T>(told, StrictJson.Options);
        }
        catch (JsonException)
        {
            return null;
        }
    }

    private static SeasonView Bare(EstateRecord estate, int season) =>
        new(
            estate.Name,
            season,
            season != estate.Season,
            [],
            default,
            0,
            0,
            0,
            estate.CrewHoursPerWeek ?? WorkAhead.DefaultCrewHoursPerWeek,
            estate.CrewHoursPerWeek,
            false,
            estate.Version,
            estate.ToBodyMarks(),
            estate.Currency,
            Catalogue.Shipped.Systems.ToDictionary(s => s.Id, s => s.Name),
            new Dictionary<string, LocalText>(),
            [],
            [],
            []
        );

    private static SeasonLine Bare(PlantingRecord planting, PlantingVersion at) =>
        new(
            planting.Id,
            planting.Code,
            planting.Name,
            at.Site,
            at.Block,
            planting.Variety,
            planting.Rootstock,
            Catalogue.Shipped.Variety(planting.Variety) is { } variety
                ? Catalogue.Shipped.Crop(variety.Crop).Habit
                : BearingHabit.MixedBud,
            planting.System,
            null,
            false,
            null,
            null,
            Stage.Target,
            0,
            planting.ToEntry().Free,
            new(0, 0, 0, false, null),
            null,
            null,
            null,
            null,
            null,
            null,
            [],
            null,
            IsPending: true
        );
}
