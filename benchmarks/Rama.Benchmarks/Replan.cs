using System.Diagnostics;
using System.Globalization;
using Rama.Core.Count;
using Rama.Core.Count.Estimate;
using Rama.Core.Plan;
using Rama.Core.Target.Capacity;
using Rama.Core.Target.Sharing;

namespace Rama.Benchmarks;

/// <summary>
/// 2.5 million scanned trees in 1 000 plantings, planned anew after a change of all targets, as the screens plan them.
/// <c>replan</c> times it, <c>replan trees.csv</c> also writes the trees, for <c>benchmarks/replan.R</c>.
/// </summary>
internal static class Replan
{
    private const int Plantings = 1_000,
        TreesOfOne = 2_500,
        Counted = 12,
        Rounds = 5;

    // Systems of an estate in about their shares: spindles, some walls of many leaders, some cherries.
    private static readonly (string Variety, string Rootstock, string System, int Limbs, double Fruit)[] Kinds =
    [
        .. Enumerable.Repeat(("Jonagold", "M.9", "tall-spindle", 22, 90.0), 12),
        .. Enumerable.Repeat(("Elstar", "M.9", "tall-spindle", 24, 110.0), 4),
        .. Enumerable.Repeat(("Fuji", "M.9", "multi-leader-wall", 30, 100.0), 3),
        ("Kordia", "Weiroot 158", "cherry-slender-axe", 25, 700.0),
    ];

    public static void Run(string? file)
    {
        var scans = Enumerable.Range(0, Plantings).Select(Scan.Made).ToList();
        if (file is not null)
            Write(file, scans);
        var measured = scans.Select(s => s.Measured()).ToList();
        for (var round = 0; round < Rounds; round++)
        {
            var wanted = 1 + 0.02 * round;
            var (sums, sumsS) = Timed(() => Each(i => scans[i].Measured()));
            var (bare, bareS) = Timed(() =>
                Each(i => PruningPlan.ToCount(PlanReading.Of(scans[i].Entry(measured[i], wanted))))
            );
            var (plans, plansS) = Timed(() => Each(i => PruningPlan.Of(scans[i].Entry(measured[i], wanted))));
            Console.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"every tree read {sumsS:0.00} s ({sums.Sum(s => s.Trunks)} trunks) · "
                        + $"targets and decisions {bareS:0.00} s · all with cuts and minutes {plansS:0.00} s "
                        + $"({plans.Count(p => p.Prescription is not null)} cards, "
                        + $"{bare.Average(p => p.Decision!.BudsToLeave):0.0} buds a tree to leave) · "
                        + $"largest {Process.GetCurrentProcess().PeakWorkingSet64 / 1_000_000} MB"
                )
            );
        }
    }

    private static T[] Each<T>(Func<int, T> of) =>
        [.. Enumerable.Range(0, Plantings).AsParallel().AsOrdered().Select(of)];

    private static (T Result, double Seconds) Timed<T>(Func<T> work)
    {
        var watch = Stopwatch.StartNew();
        var result = work();
        return (result, watch.Elapsed.TotalSeconds);
    }

    private static void Write(string file, List<Scan> scans)
    {
        using StreamWriter writer = new(file);
        writer.WriteLine("planting,girth,buds");
        foreach (var (planting, scan) in scans.Index())
            for (var i = 0; i < TreesOfOne; i++)
                writer.WriteLine(
                    string.Create(CultureInfo.InvariantCulture, $"{planting},{scan.GirthsCm[i]:0.0},{scan.Buds[i]:0}")
                );
    }

    /// <summary>A planting with what a scanner saw of each of its trees.</summary>
    private sealed record Scan(int Number, float[] GirthsCm, float[] Buds)
    {
        public static Scan Made(int number)
        {
            Random random = new(number);
            var (girth, buds) = (12 + number % 9, 160 + number * 37 % 140);
            var girths = new float[TreesOfOne];
            var on = new float[TreesOfOne];
            for (var i = 0; i < TreesOfOne; i++)
            {
                // About a normal: the sum of twelve.
                var vigour = Enumerable.Range(0, 12).Sum(_ => random.NextDouble()) - 6;
                girths[i] = (float)Math.Round(girth * (1 + 0.12 * vigour), 1);
                on[i] = (float)Math.Round(buds * Math.Max(0.2, 1 + 0.2 * vigour + 0.2 * (random.NextDouble() - 0.5)));
            }
            return new(number, girths, on);
        }

        public MeasuredTrees Measured()
        {
            var girths = GirthsCm.Select(g => (double)g).ToList();
            return new(
                girths.Count,
                girths.Average(Trunk.CrossSectionCm2),
                [
                    .. (TrunkClass.Split(girths) ?? []).Select(c => new TrunkShare(
                        c.Name,
                        c.FromGirthCm,
                        c.ToGirthCm,
                        c.Share,
                        c.MeanTcsaCm2,
                        c.TcsaCv
                    )),
                ],
                Buds.Length,
                Buds.Average(b => (double)b),
                [.. Enumerable.Range(0, Counted).Select(i => new ScannedTree(1, 1 + Place(i), Buds[Place(i)]))]
            );
        }

        public PlanEntry Entry(MeasuredTrees measured, double times)
        {
            var (variety, rootstock, system, limbs, fruit) = Kinds[Number % Kinds.Length];
            return new()
            {
                Season = 2027,
                Planting = new()
                {
                    Code = $"P{Number}",
                    Name = $"Piece {Number}",
                    Variety = variety,
                    Rootstock = rootstock,
                    System = system,
                    YearPlanted = 2012 + Number % 7,
                    RowSpacing = new(3.5, "m"),
                    TreeSpacing = new(1, "m"),
                    Area = new(TreesOfOne * 3.5 / 10_000, "ha"),
                },
                Target = new()
                {
                    Yield = new(fruit * times, "fruit/tree"),
                    FruitSize = new(system.StartsWith("cherry", StringComparison.Ordinal) ? 11 : 190, "g"),
                    PackOut = new(88, "%"),
                    BudFactor = 1.7,
                },
                Count = new()
                {
                    Trees =
                    [
                        .. Enumerable
                            .Range(0, Counted)
                            .Select(i => new CountedTreeEntry
                            {
                                Row = 1,
                                Tree = 1 + Place(i),
                                Girth = new(GirthsCm[Place(i)], "cm"),
                                Limbs = limbs + i % 5,
                                FloralBuds = (int)Buds[Place(i)],
                            }),
                    ],
                },
                Measured = measured,
            };
        }

        private static int Place(int i) => 7 + 41 * i;
    }
}
