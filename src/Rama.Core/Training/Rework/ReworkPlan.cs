using Rama.Core.Explain;
using Rama.Core.Passes;

namespace Rama.Core.Training.Rework;

/// <summary>What the trees of a planting that are reworked or to go ask for in a winter.</summary>
/// <param name="Season">Calendar year of the harvest the winter is before.</param>
/// <param name="Standings">Trees by standing.</param>
/// <param name="Work">The work of the winter, in its order.</param>
/// <param name="Hours">Hours of what is left of it; null where nothing is.</param>
/// <param name="FinishedFrom">First season in which no tree is in rework any more; null where some are not grafted yet
/// or have failed.</param>
/// <param name="Crop">Crop of the planting by season.</param>
/// <param name="HalfCropFrom">First season from which on it bears half of a full crop or more; null for none of
/// them.</param>
/// <param name="FullCropFrom">First season from which on all trees that stay bear in full; null for none of
/// them.</param>
/// <param name="Trees">The trees in rework, by row and number.</param>
/// <param name="ToGo">The trees to go, row by row: there may be thousands, all alike.</param>
/// <param name="ToGoTasks">What this winter asks for at each of them, by identifier.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record ReworkPlan(
    int Season,
    IReadOnlyList<StandingTrees> Standings,
    IReadOnlyList<ReworkWork> Work,
    PassHours? Hours,
    int? FinishedFrom,
    IReadOnlyList<SeasonCrop> Crop,
    int? HalfCropFrom,
    int? FullCropFrom,
    IReadOnlyList<ReworkLine> Trees,
    IReadOnlyList<RowTrees> ToGo,
    IReadOnlyList<string> ToGoTasks,
    IReadOnlyList<Notice> Warnings
)
{
    private const int SeasonsAhead = 8;

    // To walk from one such tree to the next and find its ribbon: assumption.
    private const double FindingSeconds = 30;

    private const double HalfCrop = 0.5,
        FullCrop = 0.995;

    /// <summary>The plan of a winter.</summary>
    /// <param name="terms">What it follows from.</param>
    /// <remarks>Source: common practice, no source; minutes and crop of young grafts are assumptions.</remarks>
    public static ReworkPlan Of(ReworkPlanTerms terms)
    {
        var going = terms.ToGo.Sum(r => r.Trees.Count);
        var reworked = terms.Reworked.Where(t => !terms.ToGo.Have(t)).ToList();
        List<ReworkLine> lines = [.. reworked.Select(t => LineOf(t, terms)).OrderBy(l => l.Row).ThenBy(l => l.Tree)];
        List<string> toGoTasks = going == 0 ? [] : [.. TasksToGo(terms).Select(t => t.Id)];
        var open = lines.Where(l => !l.IsDone).SelectMany(l => l.Tasks).CountBy(t => t).ToDictionary();
        var all = lines.SelectMany(l => l.Tasks).CountBy(t => t).ToDictionary();
        foreach (var task in toGoTasks)
            open[task] = all[task] = going;
        List<ReworkWork> work =
        [
            .. ReworkRules
                .Shipped.Tasks.Where(t => all.ContainsKey(t.Id))
                .Select(t => new ReworkWork(
                    t,
                    all[t.Id],
                    all[t.Id] - open.GetValueOrDefault(t.Id),
                    open.GetValueOrDefault(t.Id) * t.Minutes
                )),
        ];
        var crop = CropOf(terms, reworked);
        return new(
            terms.Season,
            [
                .. lines
                    .GroupBy(l => (l.Standing, l.Winter))
                    .OrderBy(g => g.Key)
                    .Select(g => new StandingTrees(g.Key.Standing, g.Key.Winter, g.Count(), g.Count(l => l.IsDone))),
                .. going == 0 ? [] : new[] { new StandingTrees(ReworkStanding.ToRemove, null, going, 0) },
            ],
            work,
            HoursOf(lines.Count(l => l is { IsDone: false, Tasks.Count: > 0 }) + going, work),
            FinishedFromOf(reworked, terms),
            crop,
            FirstFrom(crop, HalfCrop),
            FirstFrom(crop, FullCrop * (terms.Trees - (terms.GoingSeason is null ? 0 : going)) / terms.Trees),
            lines,
            terms.ToGo,
            toGoTasks,
            WarningsOf(terms, reworked, going)
        );
    }

    private static ReworkLine LineOf(ReworkedTree tree, ReworkPlanTerms terms) =>
        new(
            tree.Row,
            tree.Tree,
            tree.StandingIn(terms.Season, terms.IsSouth),
            tree.StandingIn(terms.Season, terms.IsSouth) == ReworkStanding.Winter
                ? tree.WinterIn(terms.Season, terms.IsSouth)
                : null,
            [.. tree.TasksIn(terms.Season, terms.IsSouth).Select(t => t.Id)],
            tree.DoneSeason == terms.Season
        );

    private static IEnumerable<ReworkTask> TasksToGo(ReworkPlanTerms terms) =>
        ReworkRules.Shipped.Tasks.Where(t =>
            t.Status == ReworkTaskFor.ToRemove
            && t.When.Contains(terms.GoingSeason <= terms.Season ? ReworkCondition.Now : ReworkCondition.Before)
        );

    private static PassHours? HoursOf(int trees, IReadOnlyList<ReworkWork> work) =>
        trees == 0 ? null : PassHours.Of(trees, FindingSeconds, work.Sum(w => w.Minutes) * 60 / trees, assumed: true);

    private static int? FinishedFromOf(IReadOnlyList<ReworkedTree> reworked, ReworkPlanTerms terms)
    {
        var on = reworked.Where(t => t.StandingIn(terms.Season, terms.IsSouth) != ReworkStanding.Finished).ToList();
        if (on.Any(t => t.GraftedOn is null || t.Union == UnionState.Failed))
            return null;
        // Winters since grafting grow by one a season, but for a bud that sleeps through one more.
        return on.Count == 0
            ? terms.Season
            : on.Max(t =>
                Enumerable
                    .Range(terms.Season, ReworkRules.Shipped.LastWinter + 3)
                    .First(s => t.StandingIn(s, terms.IsSouth) == ReworkStanding.Finished)
            );
    }

    private static List<SeasonCrop> CropOf(ReworkPlanTerms terms, IReadOnlyList<ReworkedTree> reworked) =>
        [
            .. Enumerable
                .Range(terms.Season, SeasonsAhead)
                .Select(season =>
                {
                    var gone = terms.GoingSeason <= season ? terms.ToGo.Sum(r => r.Trees.Count) : 0;
                    var bearing =
                        terms.Trees - reworked.Count - gone + reworked.Sum(t => ShareOf(t, season, terms.IsSouth));
                    return new SeasonCrop(season, Math.Max(0, bearing) / terms.Trees);
                }),
        ];

    // One still to be grafted bears as before, until the saw comes; a failed one does not.
    private static double ShareOf(ReworkedTree tree, int season, bool isSouth) =>
        tree.IsFinished || tree.GraftedOn is null ? 1
        : tree.Union == UnionState.Failed ? 0
        : ReworkRules.Shipped.CropAt(tree.WinterIn(season, isSouth)!.Value);

    private static int? FirstFrom(IReadOnlyList<SeasonCrop> crop, double share)
    {
        int? first = null;
        foreach (var season in crop)
            first = season.Share >= share ? first ?? season.Season : null;
        return first;
    }

    private static List<Notice> WarningsOf(ReworkPlanTerms terms, IReadOnlyList<ReworkedTree> reworked, int going)
    {
        List<Notice> warnings = [];
        void Say(int trees, string code, string what, string then)
        {
            if (trees > 0)
                warnings.Add(
                    new(
                        code,
                        $"{what}: {trees} {(trees == 1 ? "tree" : "trees")}. {then}",
                        new Figure("trees", trees, "tree")
                    )
                );
        }
        Say(
            terms.Reworked.Count - reworked.Count,
            "rework.both",
            "Listed both as reworked and to be grubbed",
            "They count as to be grubbed; take one of the two off."
        );
        Say(
            reworked.Count(t => t is { Union: UnionState.Failed, IsFinished: false }),
            "rework.failed",
            "With a graft that failed",
            "Graft again, or mark them to go."
        );
        if (terms.GoingSeason is null)
            Say(going, "rework.no-winter", "To be grubbed", "No winter is named for it.");
        Say(
            reworked.Count(t => ShareOf(t, terms.Season, terms.IsSouth) < HalfCrop && !terms.NotBearing.Have(t)),
            "rework.not-replants",
            "Bearing little yet and not listed as replants in the rows",
            "Target and card count them as bearing: list them there."
        );
        return warnings;
    }
}

/// <summary>What a plan of reworked trees follows from.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="IsSouth">Whether they stand south of the equator.</param>
/// <param name="Trees">Trees of the planting, missing ones apart.</param>
/// <param name="Reworked">Reworked trees.</param>
/// <param name="ToGo">Trees to be grubbed.</param>
/// <param name="GoingSeason">Season before whose harvest they go; null where no winter is named.</param>
/// <param name="NotBearing">Trees the row list has as replants.</param>
public sealed record ReworkPlanTerms(
    int Season,
    bool IsSouth,
    double Trees,
    IReadOnlyList<ReworkedTree> Reworked,
    IReadOnlyList<RowTrees> ToGo,
    int? GoingSeason,
    IReadOnlyList<RowTrees> NotBearing
);

/// <summary>Trees of one row.</summary>
/// <param name="Row">Row.</param>
/// <param name="Trees">Their numbers, ascending.</param>
public sealed record RowTrees(int Row, IReadOnlyList<int> Trees);

internal static class RowsOfTrees
{
    /// <summary>Whether a tree is one of them.</summary>
    public static bool Have(this IReadOnlyList<RowTrees> rows, ReworkedTree tree) =>
        rows.Any(r => r.Row == tree.Row && r.Trees.Contains(tree.Tree));
}

/// <summary>Trees of one standing.</summary>
/// <param name="Standing">How they stand.</param>
/// <param name="Winter">Winter they are in; null where winters are not counted.</param>
/// <param name="Trees">How many.</param>
/// <param name="Done">Of them, those whose work of this winter is done.</param>
public sealed record StandingTrees(ReworkStanding Standing, int? Winter, int Trees, int Done);

/// <summary>One task of a winter.</summary>
/// <param name="Task">What is done.</param>
/// <param name="Trees">Trees it is asked of.</param>
/// <param name="Done">Of them, those that are done.</param>
/// <param name="Minutes">Minutes of what is left.</param>
public sealed record ReworkWork(ReworkTask Task, int Trees, int Done, double Minutes);

/// <summary>Crop of a planting in a season.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="Share">Share of what all its trees bear when grown.</param>
public sealed record SeasonCrop(int Season, double Share);

/// <summary>One tree in rework.</summary>
/// <param name="Row">Row.</param>
/// <param name="Tree">Tree in the row.</param>
/// <param name="Standing">How it stands.</param>
/// <param name="Winter">Winter it is in; null where winters are not counted.</param>
/// <param name="Tasks">What this winter asks for, by identifier.</param>
/// <param name="IsDone">Whether it is done.</param>
public sealed record ReworkLine(
    int Row,
    int Tree,
    ReworkStanding Standing,
    int? Winter,
    IReadOnlyList<string> Tasks,
    bool IsDone
);
