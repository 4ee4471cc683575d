using Rama.Core.Explain;
using Rama.Core.Prescribe.Issue;

namespace Rama.Core.Check;

/// <summary>What a pruner does otherwise to come back to the number.</summary>
/// <param name="Kind">What.</param>
/// <param name="Amount">How many of it; the number of the step on the card for a step left out.</param>
/// <param name="BudsPerTree">Buds per tree it comes to.</param>
/// <param name="Sentence">The sentence.</param>
public sealed record CutCorrection(CorrectionKind Kind, int Amount, double BudsPerTree, Notice Sentence);

/// <summary>A way to come back to the number.</summary>
public enum CorrectionKind
{
    /// <summary>More or fewer buds on each limb.</summary>
    BudsPerLimb,

    /// <summary>More or fewer of the big limbs.</summary>
    BigLimbs,

    /// <summary>More or fewer buds on the tree: too few to be told by the limb.</summary>
    BudsPerTree,

    /// <summary>The last step on the card is left out.</summary>
    LeaveOutStep,
}

/// <summary>What was asked for on a mean tree, for telling a correction.</summary>
/// <param name="Buds">Floral buds.</param>
/// <param name="Limbs">Limbs kept, above 0.</param>
/// <param name="BigLimbBuds">Floral buds a big limb carries; null where not known.</param>
/// <param name="LastStep">Number on the card of the last step; null where there is none.</param>
/// <param name="LastDrop">Floral buds it is expected to drop.</param>
public sealed record AskedOfTree(double Buds, double Limbs, double? BigLimbBuds, int? LastStep, double LastDrop)
{
    // A limb of this many times the buds of a mean one is a big one, where nothing else is known: common practice, no
    // source.
    private const double BigLimb = 2;

    // Whoever leaves a step out gives back what it drops: worth saying where that is about what is missing.
    private const double StepFrom = 0.7,
        StepTo = 1.3;

    /// <summary>What a card asks for on a mean tree of those checked.</summary>
    /// <param name="card">The card.</param>
    /// <param name="limbs">Limbs left in the mean where counted; those expected when null.</param>
    public static AskedOfTree? Of(IssuedPrescription card, double? limbs)
    {
        var classes = card.Classes.Zip(card.Expected).Where(c => c.First.Number is > 0 && c.Second.Share > 0).ToList();
        var share = classes.Sum(c => c.Second.Share);
        if (share <= 0)
            return null;
        double Mean(Func<(IssuedClass Asked, ExpectedOfClass Expected), double> of) =>
            classes.Sum(c => c.Second.Share * of(c)) / share;
        var kept = limbs ?? Mean(c => c.Expected.LimbsLeft);
        var buds = Mean(c => c.Asked.Number!.Value);
        var last = classes.SelectMany(c => c.First.Steps).Where(s => s.Order > 0).MaxBy(s => s.Order);
        return kept <= 0
            ? null
            : new(
                buds,
                kept,
                BigLimb * buds / kept,
                last is { Order: > 1 } ? last.Order : null,
                last is null ? 0 : Mean(c => c.Expected.Drops.GetValueOrDefault(last.StepId))
            );
    }

    /// <summary>What brings trees so far off back to the number.</summary>
    /// <param name="off">How far off, as a share of the number; above 0 for too many left.</param>
    /// <remarks>
    /// Buds a limb = (left − asked) ÷ limbs kept, or big limbs, or the last step left out, whichever comes nearest.
    /// Source: handbook of the trade 7.3.
    /// </remarks>
    public CutCorrection Correction(double off)
    {
        var buds = off * Buds;
        var more = buds > 0 ? "fewer" : "more";
        List<CutCorrection> ways = [];
        void Add(CorrectionKind kind, double each, Func<int, string> sentence)
        {
            var amount = (int)(Math.Abs(buds) / each).Whole();
            if (amount >= 1)
                ways.Add(
                    new(
                        kind,
                        amount,
                        amount * each,
                        new(
                            $"correction.{Name(kind)}.{more}",
                            sentence(amount),
                            new Figure("amount", amount, "1"),
                            new Figure("buds per tree", Math.Abs(buds), "bud/tree")
                        )
                    )
                );
        }
        if (buds < 0 && LastStep is { } step && LastDrop / -buds is >= StepFrom and <= StepTo)
            ways.Add(
                new(
                    CorrectionKind.LeaveOutStep,
                    step,
                    LastDrop,
                    new(
                        "correction.leave-out-step.more",
                        $"Leave out step {step} of the card.",
                        new Figure("step", step, "1"),
                        new Figure("buds per tree", -buds, "bud/tree")
                    )
                )
            );
        Add(CorrectionKind.BudsPerLimb, Limbs, n =>
            $"Leave about {n} {(n == 1 ? "bud" : "buds")} {more} on each limb."
        );
        if (BigLimbBuds is { } big)
            Add(CorrectionKind.BigLimbs, big, n =>
                buds > 0
                    ? $"Take out about {n} more big {(n == 1 ? "limb" : "limbs")} a tree."
                    : $"Leave about {n} big {(n == 1 ? "limb" : "limbs")} more on a tree."
            );
        if (ways.Count == 0)
            Add(CorrectionKind.BudsPerTree, 1, n => $"Leave about {n} {(n == 1 ? "bud" : "buds")} {more} on a tree.");
        return ways.DefaultIfEmpty(Least(buds, more)).MinBy(w => Math.Abs(w.BudsPerTree - Math.Abs(buds)))!;
    }

    private static CutCorrection Least(double buds, string more) =>
        new(
            CorrectionKind.BudsPerTree,
            1,
            Math.Abs(buds),
            new(
                $"correction.buds-per-tree.{more}",
                $"Leave a bud {more} on a tree.",
                new Figure("amount", 1, "1"),
                new Figure("buds per tree", Math.Abs(buds), "bud/tree")
            )
        );

    private static string Name(CorrectionKind kind) =>
        kind switch
        {
            CorrectionKind.BudsPerLimb => "buds-per-limb",
            CorrectionKind.BigLimbs => "big-limbs",
            _ => "buds-per-tree",
        };
}
