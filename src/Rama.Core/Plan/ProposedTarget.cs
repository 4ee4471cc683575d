using Rama.Core.Crops;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Quantities;
using Rama.Core.Result;
using Rama.Core.Result.Learning;
using Rama.Core.Target;

namespace Rama.Core.Plan;

/// <summary>A target to start from: what the planting brought in its past seasons.</summary>
/// <param name="Target">Yield, fruit size and pack-out as they would be typed; without a yield where none is
/// known.</param>
/// <param name="Seasons">Past seasons with a yield it rests on.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record ProposedTarget(TargetEntry Target, int Seasons, IReadOnlyList<Step> Steps)
{
    // Older seasons were those of other trees.
    private const int MostSeasons = 6;

    private const double KgPerTonne = 1_000;

    /// <summary>The middle of the last six seasons, so that neither a frost nor a bumper year sets the crop.</summary>
    /// <param name="records">Past seasons as typed: the last of them tells the units.</param>
    /// <param name="seasons">The same, read.</param>
    /// <param name="learned">What is used of what they taught.</param>
    /// <param name="density">Trees on the ground.</param>
    /// <param name="variety">The variety, whose usual fruit stands in where no fruit was weighed.</param>
    /// <remarks>
    /// Where heavy and light years take turns as many of the ones as of the others go in. What was picked is told with
    /// the share of it that was sold, where that is known. Common practice, no source.
    /// </remarks>
    public static ProposedTarget Of(
        SeasonRecordsEntry records,
        IReadOnlyList<SeasonResult> seasons,
        LearnedStandings learned,
        PlantingDensity density,
        Variety variety
    )
    {
        var bearing = density.BearingTreesPerHa;
        var latest = seasons.OrderByDescending(s => s.Season).ToList();
        var yields = latest
            .Select(s => (s.Season, Yield: s.KgPerHa(bearing) ?? 0))
            .Where(s => s.Yield > 0)
            .Take(MostSeasons)
            .ToList();
        if (yields.Count % 2 == 1 && Alternation.Of(yields) is { Alternates: true })
            yields.RemoveAt(yields.Count - 1);
        var masses = Latest(latest, s => s.FruitMassKg);
        var taught = LearnedPackOut.Of(seasons)?.Learned;
        var packed = learned.Held(LearnedQuantity.PackOut, taught, taught is null ? null : LearnedPackOut.Usual);
        double? packOut = packed is { } of ? Math.Round(of, 2) : null;
        var massG = masses.Count == 0 ? variety.FruitMassG.Value : Middle(masses) * KgPerTonne;
        var size = Math.Round(massG / 5) * 5;

        List<Step> steps =
        [
            new(
                "target.proposed-size",
                masses.Count == 0 ? "usual fruit of the variety, to 5 g" : "middle of the past seasons' fruit, to 5 g",
                new("fruit mass", size, "g"),
                [new("fruit mass", massG, "g")],
                masses.Count == 0 ? variety.FruitMassG.Source : Sources.Entered
            ),
        ];
        if (packed is { } held)
            steps.Insert(
                0,
                new(
                    "target.proposed-pack-out",
                    "pack-out that holds, to 1 %",
                    new("pack-out", packOut!.Value, "share"),
                    [new("pack-out that holds", held, "share")],
                    learned.Of(LearnedQuantity.PackOut, taught is not null) switch
                    {
                        LearnedStanding.Used => "own seasons, drawn towards the usual",
                        LearnedStanding.Pinned => Sources.Entered,
                        _ => Sources.Assumption,
                    }
                )
            );
        Amount? wanted = null;
        if (yields.Count > 0)
        {
            var picked = Middle([.. yields.Select(y => y.Yield)]);
            var unit = UnitOf(records);
            var factor = YieldTarget.UnitOf(unit);
            var told = Rounded(picked * (packOut ?? 1) / factor);
            wanted = new(told, unit);
            steps.Insert(
                0,
                new(
                    "target.proposed-yield",
                    "middle of the past seasons' picked yield × pack-out, rounded",
                    new("marketable yield", told * factor, "kg/ha"),
                    [
                        new("picked yield", picked, "kg/ha"),
                        new("pack-out", packOut ?? 1, "share"),
                        new("past seasons", yields.Count, "1"),
                    ],
                    "common practice, no source"
                )
            );
        }
        return new(
            new()
            {
                Yield = wanted,
                FruitSize = new(size, "g"),
                PackOut = packOut is { } share ? new(Math.Round(share * 100), "%") : null,
            },
            yields.Count,
            steps
        );
    }

    // Whoever keeps records by the acre speaks of tons an acre.
    private static string UnitOf(SeasonRecordsEntry records) =>
        records.Seasons.Where(s => s.Yield?.Unit is not null).MaxBy(s => s.Season)?.Yield?.Unit is { } unit
        && unit.EndsWith("/ac", StringComparison.Ordinal)
            ? "ton/ac"
            : "t/ha";

    // A target is told in whole tonnes, a small one in halves.
    private static double Rounded(double yield) =>
        yield >= 20 ? Math.Round(yield) : Math.Max(0.5, Math.Round(yield * 2) / 2);

    private static List<double> Latest(IEnumerable<SeasonResult> latest, Func<SeasonResult, double?> of) =>
        [.. latest.Select(of).OfType<double>().Take(MostSeasons)];

    private static double Middle(IReadOnlyCollection<double> values)
    {
        var sorted = values.Order().ToList();
        return (sorted[(sorted.Count - 1) / 2] + sorted[sorted.Count / 2]) / 2;
    }
}
