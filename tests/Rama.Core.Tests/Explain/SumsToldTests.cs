using System.Collections;
using System.Reflection;
using Rama.Core.Explain;
using Rama.Core.Plan;
using Rama.Core.Result;
using Rama.Core.Result.Learning;
using Rama.Core.Target.Margin;
using Rama.Core.Tests.Plan;

namespace Rama.Core.Tests.Explain;

/// <summary>
/// Every number a person sees can say why: whoever takes the formula told and the figures beside it, and does the sum
/// again, comes to the number. Only sums told in the very names of their figures can be done so; most are.
/// </summary>
public sealed class SumsToldTests
{
    // Sums whose result is told in another unit than its figures make: square metres in square centimetres, kilograms a
    // box by grams a fruit.
    private static readonly Dictionary<string, double> InOtherUnits = new()
    {
        ["crop-load.leaf-area"] = 1e4,
        ["fruit-size.count"] = 1e3,
    };

    private static IEnumerable<Step> In(object? of, HashSet<object> seen)
    {
        if (of is null or string || of.GetType().IsPrimitive || of.GetType().IsEnum)
            yield break;
        if (of is Step step)
        {
            yield return step;
            yield break;
        }
        if (!of.GetType().IsValueType && !seen.Add(of))
            yield break;
        IEnumerable<object?> parts = of is IEnumerable list
            ? list.Cast<object?>()
            : of.GetType()
                .GetProperties(BindingFlags.Public | BindingFlags.Instance)
                .Where(p =>
                    p.GetIndexParameters().Length == 0
                    && (p.PropertyType.Assembly == typeof(Step).Assembly || p.PropertyType.IsGenericType)
                    && p.Name is not ("System" or "Planting" or "Catalogue")
                )
                .Select(p => p.GetValue(of));
        foreach (var part in parts)
        foreach (var found in In(part, seen))
            yield return found;
    }

    // Girths, prices, returns and records so that nothing of the desk is left out.
    private static TargetDesk? DeskOf(PlanReading reading, PruningPlan plan) =>
        TargetDesk.Of(
            reading,
            plan,
            DeskSurroundings.Nothing with
            {
                GirthsCm = [.. Enumerable.Range(0, 40).Select(i => 14 + 0.2 * i)],
                Place = new(new(46.2, 11.1, 12, new(2027, 6, 21)), IsAssumed: false),
                Returns = Enumerable.Range(0, 4).ToDictionary(i => 2022 + i, i => new ResponsePair(4 + i, 22 - i)),
                Prices = new()
                {
                    Currency = "eur",
                    Classes = [new() { PricePerKg = 0.4 }, new() { From = new(60, "g"), PricePerKg = 0.9 }],
                    RejectPricePerKg = 0.1,
                    HarvestCostPerKg = 0.2,
                    ThinningCostPer100 = 1,
                    Cv = new(17, "%"),
                },
            }
        );

    private static IEnumerable<Step> Told()
    {
        // One in five holds every system, decision, aim and way.
        foreach (var (_, reading, plan) in MadePlantings.All.Where((_, i) => i % 5 == 1))
        foreach (var step in In(new object?[] { plan, DeskOf(reading, plan) }, new(ReferenceEqualityComparer.Instance)))
            yield return step;
        // What seasons teach, which made plantings have none of.
        List<SeasonResult> seasons =
        [
            .. Enumerable
                .Range(0, 4)
                .Select(i => new SeasonResult(2022 + i, null, null, .78 + .03 * i, null)
                {
                    Counts = SeasonCounts.None with { GirthCm = 13 + .7 * i },
                }),
        ];
        var masses = Enumerable.Range(0, 4).Select(i => (2022 + i, 4.0 + i % 3, 180.0 - 9 * (i % 3) + i)).ToList();
        foreach (
            var value in new[]
            {
                LearnedPackOut.Of(seasons),
                LearnedGrowth.Of(seasons).ToValue(),
                LearnedResponse.OfMass(masses, 180),
            }
        )
        foreach (var step in value!.Steps)
            yield return step;
    }

    [Fact]
    public void A_sum_done_again_comes_to_the_number()
    {
        SortedSet<string> right = [],
            wrong = [];
        foreach (var step in Told())
        {
            if (Formula.Of(step) is not { } sum)
                continue;
            var (done, result) = (sum * InOtherUnits.GetValueOrDefault(step.Code, 1), step.Result.Value);
            // A line drawn far beyond what is known falls to nothing; nothing, or a gram, is told then.
            if (done < result && result is 0 or 1)
                continue;
            if (Math.Abs(done - result) <= 1e-6 * Math.Max(1, Math.Abs(result)))
                right.Add(step.Code);
            else
                wrong.Add(
                    $"{step.Code}: {step.Formula} with "
                        + string.Join(", ", step.Inputs.Select(i => $"{i.Name} {i.Value}"))
                        + $" is {done}, told is {result}"
                );
        }
        Assert.True(wrong.Count == 0, string.Join("\n", wrong.Take(8)));
        // So that a formula that is worded away from its figures is noticed.
        Assert.Contains("learned.pack-out", right);
        Assert.True(right.Count >= 48, $"{right.Count}: {string.Join(", ", right)}");
    }
}
