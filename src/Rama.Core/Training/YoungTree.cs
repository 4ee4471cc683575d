using Rama.Core.Systems;
using Rama.Core.Trees;

namespace Rama.Core.Training;

/// <summary>A tree as it usually stands at the end of a leaf, to be drawn.</summary>
/// <param name="Tree">The tree.</param>
/// <param name="SeenFrom">From where it is seen.</param>
/// <param name="FinalHeightM">Height of a grown tree there, metres.</param>
/// <param name="WiresM">Heights of the wires, metres.</param>
public sealed record YoungTree(FruitTree Tree, TreeView SeenFrom, double FinalHeightM, IReadOnlyList<double> WiresM)
{
    private const double NoSpread = 0;
    private const int Seed = 7;

    // More would only make the drawing black.
    private const double MostBuds = 600;

    /// <summary>A tree for each leaf; none where the system has no programme.</summary>
    /// <param name="terms">What its training follows from.</param>
    public static IReadOnlyList<YoungTree> Of(TrainingTerms terms) =>
        [.. TrainingPlan.Of(terms)?.Leaves.Select(leaf => Of(terms, leaf)) ?? []];

    private static YoungTree Of(TrainingTerms terms, TrainedLeaf told)
    {
        var form = terms.Planting.System.Form;
        var share = terms.Planting.System.Training!.At(told.Leaf);
        var trunkMm = told.GirthCm * 10 / Math.PI;
        var trunk = trunkMm / form.Typical.TrunkMm;
        TreePlace place = new(
            terms.Planting.Form.RowSpacingM,
            terms.Planting.Form.TreeSpacingM,
            terms.FinalHeightM,
            told.Leaf
        );
        TreeCounts counts = new(
            new(Math.PI * trunkMm * trunkMm / 400, NoSpread),
            // What it carries: nothing before its first crop.
            new(Math.Min(MostBuds, form.Typical.Buds * trunk * trunk * share.Crop), NoSpread),
            form.Leaders,
            new(told.Limbs, NoSpread),
            new(form.Typical.LimbMm * Math.Min(1, trunk), form.Typical.LimbCv),
            form.Typical.ForkShare * share.Limbs,
            new(told.HeightM, NoSpread)
        );
        // Young wood does not hang, and is not older than the tree.
        var shape = form.Typical with
        {
            AgeYears = Math.Max(1, Math.Min(form.Typical.AgeYears, told.Leaf)),
            PendantShare = form.Typical.PendantShare * share.Limbs,
            UprightShare = form.Typical.UprightShare * share.Limbs,
            UnsoundShare = 0,
        };
        return new(
            new TreeGenerator(shape, place).Make(counts, Seed + told.Leaf),
            form.SeenFrom,
            terms.FinalHeightM,
            form.WiresBelow(terms.FinalHeightM)
        );
    }
}
