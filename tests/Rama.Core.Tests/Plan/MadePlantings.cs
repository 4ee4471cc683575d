using System.Collections.Concurrent;
using Rama.Core.Count;
using Rama.Core.Plan;
using Rama.Core.Prescribe;
using Rama.Core.Prescribe.Working;
using Rama.Core.Systems;
using Rama.Core.Target;

namespace Rama.Core.Tests.Plan;

/// <summary>Many made-up plantings with their plans, made once for all tests that look at them.</summary>
internal static class MadePlantings
{
    private const int Plantings = 400;

    private static readonly (string Crop, string Variety, string Rootstock)[] Grown =
    [
        ("apple", "Jonagold", "M.9"),
        ("pear", "Conference", "Quince C"),
        ("cherry", "Kordia", "Weiroot 158"),
        ("peach", "Redhaven", "GF 677"),
        ("almond", "Nonpareil", "GF 677"),
        ("lemon", "Eureka", "Carrizo"),
        ("lychee", "Brewster", "own roots"),
        ("avocado", "Bacon", "seedling"),
    ];

    private static readonly Lazy<IReadOnlyList<(string Name, PlanReading Reading, PruningPlan Plan)>> Made = new(() =>
        [.. Enumerable.Range(0, Plantings).Select(Make)]
    );

    public static IReadOnlyList<(string Name, PlanReading Reading, PruningPlan Plan)> All => Made.Value;

    private static readonly ConcurrentDictionary<PruningPlan, PruningCard> Cards = new(
        ReferenceEqualityComparer.Instance
    );

    /// <summary>The English card of a plan, written once for all tests.</summary>
    public static PruningCard CardOf(PlanReading reading, PruningPlan plan) =>
        Cards.GetOrAdd(plan, _ => PruningCard.Of(plan.ToPrune(reading)!, new("en")));

    // Every system, with a count far under, a little under, on, a little over and far over the number; both aims;
    // with and without trunks, in each way of working.
    private static (string, PlanReading, PruningPlan) Make(int number)
    {
        var system = TrainingSystem.Shipped[number % TrainingSystem.Shipped.Count];
        var (_, variety, rootstock) = Grown.First(g => system.Crops.Contains(g.Crop));
        var random = new Random(number);
        double[] loads = [0.6, 0.95, 1.08, 1.3, 2.1];
        var load = loads[number / TrainingSystem.Shipped.Count % loads.Length] * (0.95 + 0.1 * random.NextDouble());
        var shape = system.Form.Typical;
        var wanted = shape.Buds / load;
        var ground = system.Form.UsualGround;
        var withTrunks = number % 3 != 0;
        var trees = Enumerable
            .Range(0, 9)
            .Select(i =>
            {
                var girth = shape.TrunkMm * Math.PI / 10 * (0.8 + 0.05 * i);
                return new CountedTreeEntry
                {
                    Row = 1 + i,
                    Tree = 4 + i,
                    Girth = withTrunks ? new(girth, "cm") : null,
                    Limbs = Math.Round(system.Form.LimbsPerTree * (0.9 + 0.2 * random.NextDouble())),
                    FloralBuds = Math.Round(
                        shape.Buds * Math.Pow(0.8 + 0.05 * i, 2) * (0.92 + 0.16 * random.NextDouble())
                    ),
                };
            })
            .ToList();
        var aims = system.Questions.FirstOrDefault(q => q.Id == "aim");
        Dictionary<string, string> answers = [];
        if (aims is not null)
            answers["aim"] = number % 2 == 0 ? "number" : "light";
        PlanEntry entry = new()
        {
            Season = 2027,
            Planting = Entries.Planting with
            {
                Variety = variety,
                Rootstock = rootstock,
                System = system.Id,
                RowSpacing = new(ground.RowM, "m"),
                TreeSpacing = new(ground.TreeM, "m"),
            },
            Target = new TargetEntry
            {
                Yield = new(wanted, "bud/tree"),
                FruitSize = new(190, "g"),
                PackOut = new(88, "%"),
                BudFactor = 1.8,
            },
            Count = new() { Trees = trees },
            Cutting = new() { Answers = answers, Way = (WayOfWorking)(number / 7 % 3) },
        };
        var reading = PlanReading.Of(entry);
        var plan = PruningPlan.Of(reading);
        Assert.True(
            plan.Prescription is not null,
            string.Join("; ", plan.Problems.Select(p => $"{p.Field} {p.Message}"))
        );
        return ($"{number} {system.Id} {plan.Decision!.Kind} {load:0.00}", reading, plan);
    }

    /// <summary>Checks each, and tells the first that fail.</summary>
    public static void Each(Action<PlanReading, PruningPlan> check)
    {
        List<string> faults = [];
        foreach (var (name, reading, plan) in All)
        {
            try
            {
                check(reading, plan);
            }
            catch (Exception e) when (e is Xunit.Sdk.IAssertionException or FormatException)
            {
                faults.Add($"{name}: {e.Message}");
            }
        }
        Assert.True(faults.Count == 0, $"{faults.Count} of {Plantings}:\n{string.Join("\n", faults.Take(6))}");
    }
}
