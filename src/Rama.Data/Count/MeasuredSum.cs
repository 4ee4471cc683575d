using Microsoft.EntityFrameworkCore;
using Rama.Core.Count.Estimate;
using Rama.Core.Explain;
using Rama.Core.Target.Capacity;
using Rama.Core.Target.Sharing;
using Rama.Data.Count.Scan;
using Rama.Data.Database;
using Rama.Data.Plan;

namespace Rama.Data.Count;

/// <summary>Sums up what trunks and scans tell of the trees nobody counted, and keeps it with the plan.</summary>
internal static class MeasuredSum
{
    /// <summary>
    /// Changes a plan, and brings its sums up to date where they rest on what was changed; not saved here.
    /// </summary>
    /// <remarks>
    /// Trunks and scans of a planting are many, and most of what is saved has nothing to do with them.
    /// </remarks>
    public static async Task ChangeAsync(
        RamaContext database,
        SeasonPlanRecord plan,
        Action change,
        CancellationToken cancel
    )
    {
        var before = RestsOn(plan);
        change();
        if (plan.Version == 0 || RestsOn(plan) != before)
            await RefreshAsync(database, [plan], cancel);
    }

    // Where its class limits lie, and which trees are counted.
    private static string RestsOn(SeasonPlanRecord plan)
    {
        var sharing = SharingOf(plan);
        var trees = plan.Trees.Select(t => (t.Row, t.Tree)).Order().Select(t => $"{t.Row}/{t.Tree}");
        return $"{sharing.SmallBelowGirthCm} {sharing.LargeFromGirthCm} {string.Join(' ', trees)}";
    }

    /// <summary>Brings the sums of plans up to date; not saved here.</summary>
    public static async Task RefreshAsync(
        RamaContext database,
        IReadOnlyCollection<SeasonPlanRecord> plans,
        CancellationToken cancel
    )
    {
        var ids = plans.Select(p => p.PlantingId).Distinct().ToList();
        var trunks = (
            await database.TrunkRows.AsNoTracking().Where(t => ids.Contains(t.PlantingId)).ToListAsync(cancel)
        ).ToLookup(t => t.PlantingId);
        var scans = (
            await database.ScanRows.AsNoTracking().Where(s => ids.Contains(s.PlantingId)).ToListAsync(cancel)
        ).ToLookup(s => (s.PlantingId, s.Season));
        foreach (var plan in plans)
            plan.TakeOver(Of(plan, trunks[plan.PlantingId].ToList(), scans[(plan.PlantingId, plan.Season)].ToList()));
    }

    /// <summary>The sum for one plan.</summary>
    /// <param name="plan">The plan; its target may set the limits of the classes.</param>
    /// <param name="trunks">Trunk rows of its planting, of any season; the latest up to the plan's counts.</param>
    /// <param name="scans">Scan of its season.</param>
    public static MeasuredTrees Of(
        SeasonPlanRecord plan,
        IReadOnlyList<TrunkRowRecord> trunks,
        IReadOnlyList<ScanRowRecord> scans
    )
    {
        var girths = GirthsCm(plan.Season, trunks, scans);
        var sharing = SharingOf(plan);
        var classes = TrunkClass.Split(girths, 1, sharing.SmallBelowGirthCm, sharing.LargeFromGirthCm) ?? [];
        var buds = scans.SelectMany(s => s.Buds).Where(b => !float.IsNaN(b)).Select(b => (double)b).ToList();
        var byRow = scans.ToDictionary(s => s.Row);
        return new(
            girths.Count,
            girths.Count == 0 ? null : girths.Average(Trunk.CrossSectionCm2),
            [
                .. classes.Select(c => new TrunkShare(
                    c.Name,
                    c.FromGirthCm,
                    c.ToGirthCm,
                    c.Share,
                    c.MeanTcsaCm2,
                    c.TcsaCv
                )),
            ],
            buds.Count,
            buds.Count == 0 ? null : buds.Average(),
            [.. plan.Trees.Select(t => Scanned(byRow, t.Row, t.Tree)).OfType<ScannedTree>()]
        );
    }

    /// <summary>Girths of every tree measured, cm: from the trunk list, else from the scanner.</summary>
    public static List<double> GirthsCm(
        int season,
        IReadOnlyList<TrunkRowRecord> trunks,
        IReadOnlyList<ScanRowRecord> scans
    )
    {
        var usable = trunks.Where(t => t.Season <= season).ToList();
        if (usable.Count == 0)
            return [.. scans.SelectMany(s => s.TrunksMm).Where(mm => !float.IsNaN(mm)).Select(mm => mm * Math.PI / 10)];
        var latest = usable.Max(t => t.Season);
        return
        [
            .. usable
                .Where(t => t.Season == latest)
                .SelectMany(t => t.GirthsCm)
                .Where(g => !float.IsNaN(g))
                .Select(g => (double)g),
        ];
    }

    private static ScannedTree? Scanned(Dictionary<int, ScanRowRecord> rows, int row, int tree) =>
        rows.TryGetValue(row, out var scan)
        && scan.Buds.ElementAtOrDefault(tree - scan.FirstTree) is var buds
        && tree >= scan.FirstTree
        && tree < scan.FirstTree + scan.Buds.Length
        && !float.IsNaN(buds)
            ? new(row, tree, buds)
            : null;

    private static TreeSharing SharingOf(SeasonPlanRecord plan)
    {
        try
        {
            return plan.ToTarget().Sharing?.Read() ?? new();
        }
        catch (UnusableEntryException)
        {
            return new();
        }
    }
}
