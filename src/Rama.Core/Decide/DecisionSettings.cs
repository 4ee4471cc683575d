namespace Rama.Core.Decide;

/// <summary>How far from the target is near enough, and how much may go in one winter.</summary>
/// <param name="Tolerance">Share of the buds to leave, 0.01 to 0.5.</param>
/// <param name="Cap">Share of the buds present, 0.05 to 0.9.</param>
/// <param name="Held">What the manager decided instead of the count; null where the count decides.</param>
/// <param name="HeldReason">Why; null where the count decides.</param>
public sealed record DecisionSettings(
    double Tolerance = DecisionSettings.DefaultTolerance,
    double Cap = DecisionSettings.DefaultCap,
    DecisionKind? Held = null,
    string? HeldReason = null
)
{
    /// <summary>Tolerance used unless the manager says otherwise.</summary>
    public const double DefaultTolerance = 0.10;

    /// <summary>Cap used unless the manager or the training system says otherwise.</summary>
    public const double DefaultCap = 0.40;
}
