namespace Rama.Core.Target.Insurance;

/// <summary>Losses of floral buds still to come after pruning, beyond the ordinary ones of set and drop.</summary>
/// <param name="WinterKill">Share killed by cold and not counted yet, 0 to below 1.</param>
/// <param name="Frost">Share of the clusters lost to spring frost, 0 to below 1.</param>
/// <param name="Mechanical">Share knocked off after green tip, 0 to below 1.</param>
/// <param name="Risk">A loss that may come or not; null for none.</param>
public sealed record Losses(double WinterKill = 0, double Frost = 0, double Mechanical = 0, ClusterRisk? Risk = null)
{
    /// <summary>No loss.</summary>
    public static readonly Losses None = new();

    /// <summary>
    /// Share of the buds left over by the known losses: Π(1 − loss). These divide the buds; a risk does not.
    /// </summary>
    public double Kept => (1 - WinterKill) * (1 - Frost) * (1 - Mechanical);
}
