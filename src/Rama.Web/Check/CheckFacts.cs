using System.Buffers.Binary;
using System.Security.Cryptography;
using System.Text;
using Rama.Core.Check;
using Rama.Core.Plan;
using Rama.Core.Prescribe.Working;

namespace Rama.Web.Check;

/// <summary>What a plan tells of the trees that are checked.</summary>
/// <param name="Rows">Trees pruned by row, in the order of the rows; empty where rows are not listed.</param>
/// <param name="Places">First and last tree of each listed row.</param>
/// <param name="BudsWanted">Floral buds the target asks for on a mean tree.</param>
/// <param name="Rest">How many more are left on the rest, as a share.</param>
/// <param name="FruitPerBud">Fruit wanted for each bud to leave.</param>
/// <param name="Costs">The set of the years and what missing costs.</param>
/// <param name="Fruit">What fruit weighs per hectare.</param>
internal sealed record CheckFacts(
    IReadOnlyList<(int Row, IReadOnlyList<int> Trees)> Rows,
    IReadOnlyList<(int Row, int First, int Last)> Places,
    double BudsWanted,
    double Rest,
    double FruitPerBud,
    MissCosts Costs,
    CropGround? Fruit
)
{
    private const double GramsPerKg = 1_000;

    public static CheckFacts? Of(PlanReading reading, PruningPlan plan)
    {
        if (
            plan is not { Crop: { FruitPerTree: > 0, FruitMassG: > 0 } crop, Density: { } density }
            || plan.CostsOf(reading) is not { } costs
        )
            return null;
        var (kg, trees) = (crop.FruitMassG / GramsPerKg, density.BearingTreesPerHa);
        var rows = reading.Rows?.Rows ?? [];
        return new(
            [
                .. rows.Select(r =>
                    (
                        r.Number,
                        (IReadOnlyList<int>)
                            [
                                .. Enumerable
                                    .Range(r.FirstTree, r.Trees)
                                    .Except(r.Missing)
                                    .Except(r.Replants)
                                    .Except(r.Pollinizers),
                            ]
                    )
                ),
            ],
            [.. rows.Select(r => (r.Number, r.FirstTree, r.LastTree))],
            plan.Buds!.BudsPerTree,
            reading.Cutting.Rest,
            costs.FruitPerBud,
            costs,
            trees > 0 ? new(trees, kg, crop.MarketableKgPerHa / (trees * crop.FruitPerTree * kg)) : null
        );
    }

    /// <summary>Trees drawn to be checked after a pass, row by row: the same for everybody.</summary>
    /// <param name="code">Code of the planting, which an archive brings along.</param>
    /// <param name="season">The season.</param>
    public IReadOnlyList<TreeDraw> Draw(string code, int season) =>
        TreeDraw.Of(
            Rows,
            BinaryPrimitives.ReadUInt64LittleEndian(SHA256.HashData(Encoding.UTF8.GetBytes($"{code} {season}")))
        );
}
