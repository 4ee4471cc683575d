using Rama.Core.Explain;
using Rama.Core.Systems;

namespace Rama.Core.Prescribe;

/// <summary>How the number of a step's cuts is told.</summary>
public enum AmountKind
{
    /// <summary>Not made this winter.</summary>
    None,

    /// <summary>Every one there is, whatever the number of buds.</summary>
    EveryOne,

    /// <summary>Every one there is, until the number is reached; about so many on a tree.</summary>
    AsFound,

    /// <summary>Where there is one: not every tree has such wood.</summary>
    OnSomeTrees,

    /// <summary>At most so many on a tree.</summary>
    UpTo,

    /// <summary>On trees that stand above a height, metres.</summary>
    IfAbove,

    /// <summary>So many on a limb.</summary>
    ALimb,

    /// <summary>So many on a tree.</summary>
    OnTheTree,

    /// <summary>As many as the number still asks for: a few.</summary>
    ToTheNumber,

    /// <summary>On each limb as many as its gauge says.</summary>
    ToTheGauge,
}

/// <summary>How many cuts of a step to make: one result for card, page and drawing.</summary>
/// <param name="Kind">How the number is told.</param>
/// <param name="Least">Number in the trunk class that asks for the fewest; metres for a height.</param>
/// <param name="Most">Number in the trunk class that asks for the most.</param>
public sealed record CutAmount(AmountKind Kind, double Least = 0, double Most = 0)
{
    // Below so many single buds a limb they are told for the whole tree.
    private const double FewPerLimb = 0.85;

    // Fewer buds than this on a tree are no number to give to a crew.
    internal const double AFew = 3;

    // A rate this close to a whole number is told as that: nobody rubs 1.3 buds a limb.
    private const double NearWhole = 0.15;

    /// <summary>Tells the cuts of a step over the trunk classes of a planting.</summary>
    /// <param name="step">The step.</param>
    /// <param name="classes">Its cuts by class, with the limbs the class keeps.</param>
    internal static CutAmount Of(CuttingStep step, IReadOnlyList<(ClassCut Cut, double LimbsLeft)> classes)
    {
        if (step is { Stop: StepStop.Never, Most: null, Cut.Kind: CutKind.Collar })
            return new(AmountKind.EveryOne);
        var made = classes.Where(c => c.Cut.IsMade).ToList();
        if (made.Count == 0)
            return new(AmountKind.None);
        if (made[0].Cut.AboveM is { } height && made.All(c => c.Cut.Most is null))
            return new(AmountKind.IfAbove, height, height);
        if (step.Cut.Kind == CutKind.RubOff)
        {
            if (made.All(c => c.Cut.CutsPerTree < AFew))
                return new(AmountKind.ToTheNumber);
            var rates = made.Select(c => c.Cut.CutsPerTree / c.LimbsLeft).ToList();
            return rates.Min() >= FewPerLimb
                ? new(AmountKind.ALimb, Math.Floor(rates.Min() + NearWhole), Math.Ceiling(rates.Max() - NearWhole))
                : Range(AmountKind.OnTheTree, made.Select(c => c.Cut.CutsPerTree.Whole()));
        }
        if (made.All(c => c.Cut.Most is not null))
            return Range(AmountKind.UpTo, made.Select(c => (double)c.Cut.Most!.Value));
        var found = made.Select(c => c.Cut.CutsPerTree.Whole()).ToList();
        return found.Max() < 1
            ? new(AmountKind.OnSomeTrees)
            : Range(AmountKind.AsFound, found.Select(f => Math.Max(1, f)));
    }

    private static CutAmount Range(AmountKind kind, IEnumerable<double> numbers)
    {
        var all = numbers.ToList();
        return new(kind, all.Min(), all.Max());
    }
}
