using Rama.Core.Explain;

namespace Rama.Core.Check;

/// <summary>Finished trees counted of one pruner, as typed.</summary>
public sealed record CheckVerdictEntry
{
    private const int Most = 2_000;

    /// <summary>Floral buds left ÷ floral buds asked, tree by tree in the order they were counted.</summary>
    public IReadOnlyList<double> Shares { get; init; } = [];

    /// <summary>The same of others in the planting, whose spread is pooled with theirs.</summary>
    public IReadOnlyList<double> Others { get; init; } = [];

    /// <summary>How far off is near enough, as a share; 0.1 when left out.</summary>
    public double? Tolerance { get; init; }

    /// <summary>Floral buds asked for on a mean tree, for a correction.</summary>
    public double? BudsAsked { get; init; }

    /// <summary>Limbs kept on it.</summary>
    public double? LimbsKept { get; init; }

    /// <summary>Judges them.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public CutVerdict Calculate()
    {
        var reader = new EntryReader();
        void Check(string field, IReadOnlyList<double> shares)
        {
            if (shares.Count > Most)
                reader.Add(field, "range", $"Trees: expected at most {Most}.");
            if (shares.Any(s => s is not (>= 0.01 and <= 100)))
                reader.Add(field, "range", "Left ÷ asked: expected 0.01 to 100.");
        }
        Check("shares", Shares);
        Check("others", Others);
        var tolerance = reader.Optional("tolerance", "Tolerance", Tolerance, "share", 0.01, 0.5) ?? 0.1;
        var buds = reader.Optional("budsAsked", "Buds asked", BudsAsked, "bud/tree", 0.1, 20_000);
        var limbs = reader.Optional("limbsKept", "Limbs kept", LimbsKept, "limb/tree", 0.1, 400);
        if (buds is null != limbs is null)
            reader.Add(
                buds is null ? "budsAsked" : "limbsKept",
                "missing",
                "A correction needs buds asked and limbs kept."
            );
        reader.ThrowIfAny();
        double[] ratios = [.. Shares.Select(s => Math.Log(s))];
        return CutVerdict.Of(
            ratios,
            CutSpread.Of([ratios, [.. Others.Select(s => Math.Log(s))]]),
            tolerance,
            buds is null ? null : new(buds.Value, limbs!.Value, null, null, 0)
        );
    }
}
