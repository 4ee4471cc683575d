namespace Rama.Core.Trees;

/// <summary>
/// Lognormal of a mean and coefficient of variation: what cannot be below zero and is now and then large. Its two
/// numbers are worked out once for many draws.
/// </summary>
internal readonly struct Lognormal
{
    private readonly double _fixed,
        _middle,
        _spread;

    public Lognormal(Spread of)
    {
        if (of.Mean <= 0 || of.Cv <= 0)
        {
            _fixed = Math.Max(0, of.Mean);
            return;
        }
        var variance = Math.Log(1 + of.Cv * of.Cv);
        _fixed = double.NaN;
        _middle = Math.Log(of.Mean) - variance / 2;
        _spread = Math.Sqrt(variance);
    }

    /// <summary>Its value for a standard normal drawn.</summary>
    public double At(double normal) => double.IsNaN(_fixed) ? Math.Exp(_middle + _spread * normal) : _fixed;
}
