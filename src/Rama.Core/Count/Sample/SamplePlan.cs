using Rama.Core.Count.Estimate;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Target.Capacity;

namespace Rama.Core.Count.Sample;

/// <summary>One tree to count.</summary>
/// <param name="Order">Its place in the walk, from 1.</param>
/// <param name="Round">Round of the walk it belongs to, from 1; each round crosses the whole planting.</param>
/// <param name="Row">Row number.</param>
/// <param name="Tree">Tree in the row.</param>
/// <param name="PositionM">Metres from the first tree of the row.</param>
/// <param name="Class">Trunk class; null where its trunk is not known.</param>
public sealed record SampleTree(int Order, int Round, int Row, int Tree, double PositionM, string? Class);

/// <summary>Trees to count in a trunk class.</summary>
/// <param name="Name">Name of the class.</param>
/// <param name="Share">Share of the planting's trees.</param>
/// <param name="Trees">Trees to count in it.</param>
public sealed record SampleClass(string Name, double Share, int Trees);

/// <summary>How many trees to count, which ones, and in which order to walk to them.</summary>
/// <param name="Trees">Trees to count.</param>
/// <param name="Eligible">Trees they are drawn from; 0 without a row list.</param>
/// <param name="Classes">Trees to count by trunk class; empty where not every trunk is known.</param>
/// <param name="Route">The trees in walking order; empty without a row list.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
/// <remarks>
/// Source: systematic sampling with a random start, by class with Neyman's allocation; Cochran, Sampling Techniques,
/// ch. 5 and 8.
/// </remarks>
public sealed record SamplePlan(
    int Trees,
    int Eligible,
    IReadOnlyList<SampleClass> Classes,
    IReadOnlyList<SampleTree> Route,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(Trees, "tree", Steps, Warnings)
{
    /// <summary>How to walk without a row list; null where rows are listed or spacing is not known.</summary>
    public PacedWalk? Paced { get; init; }

    /// <summary>Trees of one round, about: whoever stops after a round has seen the whole planting.</summary>
    public const int RoundOf = 12;

    // Trunks of nearly all trees must be known for drawing by class.
    private const double NearlyAll = 0.9;

    /// <summary>Draws the trees.</summary>
    /// <param name="trees">Trees that stand in the planting.</param>
    /// <param name="rows">Its rows; null where none are listed.</param>
    /// <param name="form">How its trees are spaced; null where not known.</param>
    /// <param name="settings">Which trees are to be counted.</param>
    /// <param name="classes">Trunk classes; empty where not known.</param>
    /// <param name="girthCm">Girth of a tree by row and number, cm; null where not measured.</param>
    public static SamplePlan Of(
        double trees,
        RowList? rows,
        PlantingForm? form,
        SampleSettings settings,
        IReadOnlyList<TrunkShare> classes,
        Func<int, int, double?>? girthCm = null
    )
    {
        var wanted = settings.Planned(trees);
        List<Notice> warnings = [];
        if (rows is null)
        {
            if (form is null)
                return new(
                    wanted,
                    0,
                    [],
                    [],
                    StepsOf(wanted, trees, settings),
                    [
                        new(
                            "sample.no-spacing",
                            "Neither rows nor spacing are known, so there is no walk. Spread the trees over the "
                                + "planting: every so many rows, not along one row."
                        ),
                    ]
                );
            var paced = PacedWalk.Of(trees, wanted, form, settings);
            return new(
                wanted,
                0,
                [],
                [],
                [.. StepsOf(wanted, trees, settings), .. paced.StepsOf(trees, wanted, form)],
                [paced.Told(wanted)]
            )
            {
                Paced = paced,
            };
        }
        var eligible = Places(rows, settings, warnings);
        wanted = Math.Min(wanted, eligible.Count);
        var random = new Random(settings.Seed);
        var strata = Strata(eligible, classes, girthCm);
        IReadOnlyList<int> counts = strata.Count == 1 ? [wanted] : Allocate(strata, Math.Max(wanted, 2 * strata.Count));
        var rounds = Math.Max(1, (int)Math.Round(counts.Sum() / (double)RoundOf));
        List<(int Round, Place Place, string? Class)> drawn = [];
        foreach (var (i, stratum) in strata.Index())
        {
            var step = stratum.Places.Count / (double)counts[i];
            var start = random.NextDouble() * step;
            // Neighbours in the walk go to different rounds, so that each round crosses the planting.
            var first = random.Next(rounds);
            for (var k = 0; k < counts[i]; k++)
                drawn.Add(((first + k) % rounds + 1, stratum.Places[(int)(start + k * step)], stratum.Class?.Name));
        }
        return new(
            drawn.Count,
            eligible.Count,
            strata.Count == 1
                ? []
                : [.. strata.Select((s, i) => new SampleClass(s.Class!.Name, s.Class.Share, counts[i]))],
            Walk(drawn, form?.TreeSpacingM ?? 1),
            StepsOf(drawn.Count, trees, settings),
            warnings
        );
    }

    private sealed record Place(TreeRow Row, int Tree);

    private sealed record Drawn(TrunkShare? Class, List<Place> Places, double MeanTcsa);

    private static List<Place> Places(RowList rows, SampleSettings settings, List<Notice> warnings)
    {
        var numbers = rows.Rows.Select(r => r.Number).Distinct().Order().ToList();
        var skipEdges = !settings.EdgeRows && numbers.Count > 4;
        if (!settings.EdgeRows && !skipEdges)
            warnings.Add(
                new(
                    "sample.few-rows",
                    "The planting has so few rows that the edge rows are counted too.",
                    new Figure("rows", numbers.Count, "1")
                )
            );
        bool Leaves(TreeRow row, int tree) =>
            row.Missing.Contains(tree)
            || (!settings.Replants && row.Replants.Contains(tree))
            || (!settings.Pollinizers && row.Pollinizers.Contains(tree));
        return
        [
            .. rows
                .Rows.Where(r => !skipEdges || (r.Number != numbers[0] && r.Number != numbers[^1]))
                .OrderBy(r => r.Number)
                .ThenBy(r => r.FirstTree)
                .SelectMany(r =>
                    Enumerable.Range(r.FirstTree, r.Trees).Where(t => !Leaves(r, t)).Select(t => new Place(r, t))
                ),
        ];
    }

    private static List<Drawn> Strata(
        List<Place> eligible,
        IReadOnlyList<TrunkShare> classes,
        Func<int, int, double?>? girthCm
    )
    {
        Drawn all = new(null, eligible, 1);
        if (girthCm is null || classes.Count < 2)
            return [all];
        var girths = eligible
            .Select(p => (Place: p, Girth: girthCm(p.Row.Number, p.Tree)))
            .Where(p => p.Girth is not null)
            .ToList();
        if (girths.Count < NearlyAll * eligible.Count)
            return [all];
        var strata = classes
            .Select(c => (Class: c, Members: girths.Where(g => c.Holds(g.Girth!.Value)).ToList()))
            .ToList();
        if (strata.Any(s => s.Members.Count < 2))
            return [all];
        return
        [
            .. strata.Select(s => new Drawn(
                s.Class,
                [.. s.Members.Select(m => m.Place)],
                s.Members.Average(m => Trunk.CrossSectionCm2(m.Girth!.Value))
            )),
        ];
    }

    // Buds go with trunk cross-section and differ in proportion to their number, so larger trees are drawn more often.
    private static List<int> Allocate(List<Drawn> strata, int trees)
    {
        var counts = StratifiedMean.Allocate(
            [.. strata.Select(s => new Stratum(s.Class!.Share, s.MeanTcsa, s.MeanTcsa, 2))],
            trees
        );
        return [.. counts.Zip(strata, (n, s) => Math.Min(n, s.Places.Count))];
    }

    // To and fro: up one row, down the next one visited.
    private static List<SampleTree> Walk(List<(int Round, Place Place, string? Class)> drawn, double treeSpacingM)
    {
        List<(int Round, Place Place, string? Class)> route = [];
        foreach (var round in drawn.GroupBy(d => d.Round).OrderBy(g => g.Key))
        {
            var up = true;
            foreach (var row in round.GroupBy(d => d.Place.Row.Number).OrderBy(g => g.Key))
            {
                route.AddRange(up ? row.OrderBy(d => d.Place.Tree) : row.OrderByDescending(d => d.Place.Tree));
                up = !up;
            }
        }
        return
        [
            .. route.Select(
                (d, i) =>
                    new SampleTree(
                        i + 1,
                        d.Round,
                        d.Place.Row.Number,
                        d.Place.Tree,
                        (d.Place.Tree - d.Place.Row.FirstTree) * treeSpacingM,
                        d.Class
                    )
            ),
        ];
    }

    private static List<Step> StepsOf(int wanted, double trees, SampleSettings settings) =>
        [
            settings.Trees is null
                ? new(
                    "sample.trees",
                    "smallest n with t (95 %, n − 1) × CV × √(1/n − 1/trees) ≤ 10 %",
                    new("trees to count", wanted, "tree"),
                    [new("coefficient of variation", SampleSettings.UsualCv, "share"), new("trees", trees, "tree")],
                    Sources.StudentT
                )
                : new("sample.trees", "as set", new("trees to count", wanted, "tree"), [], Sources.Entered),
        ];
}
