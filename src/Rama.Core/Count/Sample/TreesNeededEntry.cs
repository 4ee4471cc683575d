using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Count.Sample;

/// <summary>How many trees to count.</summary>
public sealed record TreesNeededEntry
{
    /// <summary>How much trees differ: standard deviation over mean.</summary>
    public Amount? Cv { get; init; }

    /// <summary>Half width of the interval accepted, as a share of the mean; 10 % when left out.</summary>
    public Amount? Within { get; init; }

    /// <summary>Trees in the planting.</summary>
    public double? TreesInPlanting { get; init; }

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public TreesNeeded Calculate()
    {
        var reader = new EntryReader();
        var cv = reader.Required("cv", "Coefficient of variation", Cv, Units.Share, 0.001, 5);
        var within = reader.Optional("within", "Within", Within, Units.Share, 0.001, 1) ?? SampleSettings.Aim;
        var trees = reader.Required("treesInPlanting", "Trees in the planting", TreesInPlanting, "tree", 2, 10_000_000);
        reader.ThrowIfAny();
        return new(SampleSize.TreesNeeded(cv, within, trees));
    }
}

/// <summary>Trees to count.</summary>
/// <param name="Trees">The smallest number whose interval is narrow enough.</param>
public sealed record TreesNeeded(int Trees);
