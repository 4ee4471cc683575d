using BenchmarkDotNet.Attributes;
using Rama.Core.Count;
using Rama.Core.Plan;
using Rama.Core.Prescribe;

namespace Rama.Benchmarks;

/// <summary>
/// The full plan of one planting, from what was typed to the ledger and the card. Aim: under 20 ms at p95 on the
/// server.
/// </summary>
[ShortRunJob]
[MemoryDiagnoser]
public class PruningPlanBenchmark
{
    private PlanEntry _entry = new();

    /// <summary>Trees counted: a usual sample, and the most one survey may hold.</summary>
    [Params(10, SurveyEntry.MostTrees)]
    public int Trees { get; set; }

    [GlobalSetup]
    public void Setup() =>
        _entry = new()
        {
            Season = 2027,
            Planting = new()
            {
                Code = "B1",
                Name = "Bench",
                Variety = "Jonagold",
                Rootstock = "M.9",
                System = "tall-spindle",
                YearPlanted = 2018,
                RowSpacing = new(3.5, "m"),
                TreeSpacing = new(0.9, "m"),
                Area = new(2, "ha"),
            },
            Target = new()
            {
                Yield = new(60, "t/ha"),
                FruitSize = new(190, "g"),
                PackOut = new(88, "%"),
                BudFactor = 1.8,
            },
            Count = new()
            {
                Trees =
                [
                    .. Enumerable
                        .Range(0, Trees)
                        .Select(i => new CountedTreeEntry
                        {
                            Row = 1 + i / 100,
                            Tree = 1 + i % 100,
                            Girth = new(14 + i % 5, "cm"),
                            Limbs = 20 + i % 5,
                            FloralBuds = 280 + i * 37 % 80,
                        }),
                ],
            },
        };

    [Benchmark]
    public PruningPlan Plan() => PruningPlan.Of(_entry);

    [Benchmark]
    public PruningCard PlanAndCard()
    {
        var reading = PlanReading.Of(_entry);
        return PruningCard.Of(PruningPlan.Of(reading).ToPrune(reading)!, new("es"));
    }
}
