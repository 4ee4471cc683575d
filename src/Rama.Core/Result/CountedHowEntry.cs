using Rama.Core.Explain;

namespace Rama.Core.Result;

/// <summary>How a number of a season came about, as typed.</summary>
public sealed record CountedHowEntry
{
    /// <summary>Trees it rests on.</summary>
    public double? Trees { get; init; }

    /// <summary>Half its 95 % interval, in the unit of the number.</summary>
    public double? HalfWidth { get; init; }

    /// <summary>Day it was counted.</summary>
    public DateOnly? Day { get; init; }

    /// <summary>Who counted it.</summary>
    public string? Who { get; init; }

    /// <summary>How it came about.</summary>
    public CountedBy? By { get; init; }

    internal Known Read()
    {
        var reader = new EntryReader();
        reader.OptionalWhole("trees", "Trees", Trees, "tree", 1, 1_000_000);
        var half = reader.Optional("halfWidth", "Half the interval", HalfWidth, "", 0, 20_000);
        reader.OptionalText("who", "Who", Who, 100);
        reader.ThrowIfAny();
        return new(half);
    }

    internal sealed record Known(double? HalfWidth);
}

/// <summary>How a number came about.</summary>
public enum CountedBy
{
    /// <summary>Counted on trees of a sample.</summary>
    Sample,

    /// <summary>Counted when finished trees were checked.</summary>
    Checks,

    /// <summary>Scanned tree by tree.</summary>
    Scan,

    /// <summary>From a file of the pack-house.</summary>
    File,

    /// <summary>Judged by eye.</summary>
    Estimate,
}
