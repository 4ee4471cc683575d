using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Decide;

/// <summary>How far from the target is near enough, and how much may go in one winter, as typed.</summary>
public record DecisionSettingsEntry
{
    /// <summary>Most characters of a reason.</summary>
    public const int LongestReason = 300;

    /// <summary>Accepted distance from the buds to leave, as a share of them; 10 % when left out.</summary>
    public Amount? Tolerance { get; init; }

    /// <summary>
    /// Largest share of the floral buds to cut in one winter; 40 % or the system's own when left out.
    /// </summary>
    public Amount? Cap { get; init; }

    /// <summary>What the manager decides instead of the count; the count decides when left out.</summary>
    public DecisionKind? Held { get; init; }

    /// <summary>Why; needed with <see cref="Held"/>.</summary>
    public string? HeldReason { get; init; }

    /// <summary>Reads the entry.</summary>
    /// <param name="defaultCap">Cap used when none was typed.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public DecisionSettings ReadSettings(double defaultCap = DecisionSettings.DefaultCap)
    {
        var reader = new EntryReader();
        var tolerance = reader.Optional("tolerance", "Tolerance", Tolerance, Units.Share, 0.01, 0.5)
            ?? DecisionSettings.DefaultTolerance;
        var cap = reader.Optional("cap", "Most to cut in one winter", Cap, Units.Share, 0.05, 0.9) ?? defaultCap;
        var reason = reader.OptionalText("heldReason", "Reason", HeldReason, LongestReason);
        if (Held is not null && reason is null)
            reader.Add("heldReason", "missing", "Reason: please say why the decision is another than the count's.");
        reader.ThrowIfAny();
        return new(tolerance, cap, Held, Held is null ? null : reason);
    }
}
