using Rama.Core.Explain;

namespace Rama.Core.Check;

/// <summary>A planting that is partly pruned, as typed.</summary>
public sealed record RestOfBlockEntry
{
    /// <summary>Floral buds asked for per tree.</summary>
    public double? BudsAsked { get; init; }

    /// <summary>Floral buds left on those done.</summary>
    public double? BudsLeft { get; init; }

    /// <summary>Share of the trees that are done.</summary>
    public double? Done { get; init; }

    /// <summary>How far off is near enough, as a share; 0.1 when left out.</summary>
    public double? Tolerance { get; init; }

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public RestOfBlock Calculate()
    {
        var reader = new EntryReader();
        var asked = reader.Required("budsAsked", "Buds asked", BudsAsked, "bud/tree", 0.1, 20_000);
        var left = reader.Required("budsLeft", "Buds left", BudsLeft, "bud/tree", 0, 20_000);
        var done = reader.Required("done", "Share done", Done, "share", 0, 0.99);
        var tolerance = reader.Optional("tolerance", "Tolerance", Tolerance, "share", 0.01, 0.5) ?? 0.1;
        reader.ThrowIfAny();
        return RestOfBlock.Of(asked, left, done, tolerance);
    }
}
