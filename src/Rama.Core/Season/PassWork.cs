using Rama.Core.Crew.Schedule;
using Rama.Core.Crew.Trial;
using Rama.Core.Explain;
using Rama.Core.Passes;

namespace Rama.Core.Season;

/// <summary>A pass of a planting as work for a crew.</summary>
/// <param name="Pass">The pass.</param>
/// <param name="Task">The work: what is left of it.</param>
/// <param name="Hours">Its hours, with how they came about.</param>
/// <param name="LateSteps">What its first day late costs.</param>
public sealed record PassWork(PlannedPass Pass, CrewTask Task, PassHours Hours, IReadOnlyList<Step> LateSteps)
{
    /// <summary>Days ahead of which work is planned: what opens later is not at hand yet.</summary>
    public const int DaysAhead = 120;

    // What thinning asks for is known when the set is; planned in winter it would only stand in the way of what is at
    // hand.
    private const int DaysAheadOfThinning = 45;

    // Days late for which the crop's loss is told one by one; it no longer rises by then.
    private const int DaysTold = 60;

    /// <summary>The work of a planting that is at hand, in the order of its year.</summary>
    /// <param name="terms">What it follows from.</param>
    public static IReadOnlyList<PassWork> Of(PassWorkTerms terms)
    {
        List<PassWork> works = [];
        foreach (var pass in terms.Programme.Passes)
        {
            if (
                !pass.IsAhead
                || pass.From is not { } from
                || pass.To is not { } to
                || from > terms.Today.AddDays(PassIds.IsThinning(pass.Id) ? DaysAheadOfThinning : DaysAhead)
                || pass.HoursLeft(terms.Done(pass.Id)) is not { Paid: > 0 } left
            )
                continue;
            var choice = terms.Choice(pass.Id) ?? new();
            if (choice.Platforms > 0 && pass.Hands.Contains(Hands.Height))
                left = left.OnPlatforms();
            var charge = ChargeOf(terms, pass, choice, to);
            var task = new CrewTask(
                IdOf(terms.Planting, pass.Id),
                left.Paid,
                from > terms.Today ? from : terms.Today,
                to,
                charge,
                pass.Hands,
                terms.Site,
                choice.Platforms,
                [.. pass.Follows.Select(f => IdOf(terms.Planting, f))],
                terms.Weather(pass),
                choice.NeverLate,
                choice.Crew?.ToString(),
                choice.Start >= terms.Today ? choice.Start : null
            );
            PassWork work = new(pass, task, left, StepsOf(terms, pass, choice, charge));
            works.AddRange(choice.InTwo ? Halved(work) : [work]);
        }
        // What is done holds nothing up.
        var ids = works.Select(w => w.Task.Id).ToHashSet();
        return
        [
            .. works.Select(w =>
                w with
                {
                    Task = w.Task with
                    {
                        After = [.. w.Task.Before.SelectMany(b => Named(b, w.Task.Id, works)).Where(ids.Contains)],
                    },
                }
            ),
        ];
    }

    /// <summary>Other ways to do the work of a planting: less deep, and two passes in one.</summary>
    /// <param name="planting">The planting.</param>
    /// <param name="works">Its work at hand.</param>
    /// <param name="less">Its winter pruned less deep; null where there is no surplus to leave.</param>
    /// <param name="full">Its winter pruned to its number; null where there is none.</param>
    public static IReadOnlyDictionary<string, WorkWays> WaysOf(
        Guid planting,
        IReadOnlyList<PassWork> works,
        PruningDepth? less,
        PruningDepth? full
    )
    {
        var winter = works.Where(w => w.Pass.IsWinter).ToDictionary(w => w.Task.Id);
        // As planned whole: what is done of it already saves nothing any more, and gives nothing up.
        var whole = winter.Values.DistinctBy(w => w.Pass.Id).Sum(w => w.Pass.Hours?.Paid ?? 0);
        var (major, detail) = (IdOf(planting, PassIds.Major), IdOf(planting, PassIds.Detail));
        return winter.ToDictionary(
            w => w.Key,
            w =>
            {
                var with = w.Value.Pass.Id == PassIds.Major ? detail + w.Key[major.Length..] : "";
                return new WorkWays(
                    less is null || full is null ? null : Math.Min(1, less.Hours / full.Hours),
                    (less?.MarginLost ?? 0) * w.Value.OnLadders / whole,
                    winter.ContainsKey(with) ? with : null,
                    w.Value.Hours.Looking
                );
            }
        );
    }

    /// <summary>Share of the pass that this work is: what is done, and what another crew has of it, is not.</summary>
    public double Share => Pass.Hours is { Paid: > 0 } whole ? OnLadders / whole.Paid : 0;

    // Hours left as if nobody stood on a platform.
    private double OnLadders =>
        Task.Platforms > 0 && Pass.Hands.Contains(Hands.Height) ? Task.Hours / PassHours.PlatformShare : Task.Hours;

    /// <summary>Identifier of the work of a pass.</summary>
    /// <param name="planting">The planting.</param>
    /// <param name="pass">The pass.</param>
    public static string IdOf(Guid planting, string pass) => $"{planting}/{pass}";

    private const string One = "#1",
        Two = "#2";

    // Two crews share the rows by half.
    private static IEnumerable<PassWork> Halved(PassWork work) =>
        new[] { One, Two }.Select(part =>
            work with
            {
                Task = work.Task with
                {
                    Id = work.Task.Id + part,
                    Hours = work.Task.Hours / 2,
                    Late = new(work.Task.Late.PerDay / 2, [.. (work.Task.Late.Beside ?? []).Select(m => m / 2)]),
                },
                Hours = work.Hours.Half(),
                LateSteps =
                [
                    .. work.LateSteps,
                    new(
                        "task.late-half",
                        "a day late ÷ crews that share the rows",
                        new("a day late of one crew", work.Task.Late.Of(1) / 2, "money"),
                        [new("a day late", work.Task.Late.Of(1), "money"), new("crews that share the rows", 2, "1")],
                        Sources.Definition
                    ),
                ],
            }
        );

    // A part follows the same part where what it follows is shared too.
    private static IEnumerable<string> Named(string before, string id, IReadOnlyList<PassWork> works)
    {
        var parts = works
            .Where(w => w.Task.Id == before + One || w.Task.Id == before + Two)
            .Select(w => w.Task.Id)
            .ToList();
        var own =
            id.EndsWith(One) ? before + One
            : id.EndsWith(Two) ? before + Two
            : null;
        return parts.Count == 0 ? [before]
            : own is not null ? [own]
            : parts;
    }

    private static LateCharge ChargeOf(PassWorkTerms terms, PlannedPass pass, TaskChoice choice, DateOnly to) =>
        choice.LatePerDay is { } told
            ? new(told)
            : new(
                terms.LateShare * (pass.Hours?.Paid ?? 0) * terms.Wage,
                pass.IsWinter && pass.Cuts.Count > 0 && terms.Crop is { } crop
                    ?
                    [
                        .. Enumerable
                            .Range(1, DaysTold)
                            .Select(d => terms.LateOn(to.AddDays(d)) is { } late ? crop.Lost(late.Share) : 0),
                    ]
                    : null
            );

    private static IReadOnlyList<Step> StepsOf(
        PassWorkTerms terms,
        PlannedPass pass,
        TaskChoice choice,
        LateCharge charge
    )
    {
        Figure usual = new("usual cost of a day", charge.PerDay, "money"),
            crop = new("crop lost", charge.Of(1) - charge.PerDay, "money");
        return choice.LatePerDay is not null
            ?
            [
                new(
                    "task.late-told",
                    "as a manager set it",
                    new("a day late", charge.PerDay, "money"),
                    [],
                    Sources.Entered
                ),
            ]
            :
            [
                new(
                    "task.late-usual",
                    "share of the wages × paid hours × wage",
                    usual,
                    [
                        new("share of the wages", terms.LateShare, "share"),
                        new("paid hours", pass.Hours?.Paid ?? 0, "h"),
                        new("wage", terms.Wage, "money/h"),
                    ],
                    Sources.Assumption
                ),
                new(
                    "task.late",
                    "usual cost of a day + crop lost",
                    new("a day late", charge.Of(1), "money"),
                    [usual, crop],
                    Sources.Assumption
                ),
            ];
    }
}

/// <summary>What the work of a planting follows from.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="Site">Name of its site.</param>
/// <param name="Programme">Its year.</param>
/// <param name="Today">The day taken as today.</param>
/// <param name="Crop">Its crop, where late pruning costs some.</param>
/// <param name="Wage">Wage, money an hour.</param>
/// <param name="LateShare">What a day late costs where nothing else is known, as a share of the wages of the work.
/// </param>
/// <param name="LateOn">What pruning on a day knocks off; null for nothing.</param>
/// <param name="Choice">What a manager says of a pass; null for nothing.</param>
/// <param name="Done">Share of a pass that is done.</param>
/// <param name="Weather">Days a pass can be worked on; null where every day will do.</param>
public sealed record PassWorkTerms(
    Guid Planting,
    string Site,
    Programme Programme,
    DateOnly Today,
    CropAtRisk? Crop,
    double Wage,
    double LateShare,
    Func<DateOnly, LateCost?> LateOn,
    Func<string, TaskChoice?> Choice,
    Func<string, double> Done,
    Func<PlannedPass, WorkWeather?> Weather
);
