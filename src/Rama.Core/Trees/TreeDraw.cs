namespace Rama.Core.Trees;

/// <summary>
/// Seeded draws of the generator: SplitMix64 (Steele, Lea and Flood 2014), because a planting's typical trees must not
/// change with the version of the runtime, and the runtime's own seeded generator promises that to nobody.
/// </summary>
internal sealed class TreeDraw(int seed)
{
    // Mixed first: neighbouring seeds would else give the same draws, one place on.
    private ulong _state = Mixed(unchecked((ulong)seed * Step));

    private const ulong Step = 0x9E3779B97F4A7C15;

    public double Uniform() => (Mixed(unchecked(_state += Step)) >> 11) * (1.0 / (1UL << 53));

    private static ulong Mixed(ulong z)
    {
        z = unchecked((z ^ (z >> 30)) * 0xBF58476D1CE4E5B9);
        z = unchecked((z ^ (z >> 27)) * 0x94D049BB133111EB);
        return z ^ (z >> 31);
    }

    public double Between(double low, double high) => low + (high - low) * Uniform();

    public bool Happens(double share) => Uniform() < share;

    /// <summary>Standard normal, by Marsaglia's polar method.</summary>
    public double Normal()
    {
        while (true)
        {
            var (u, v) = (2 * Uniform() - 1, 2 * Uniform() - 1);
            var s = u * u + v * v;
            if (s is > 0 and < 1)
                return u * Math.Sqrt(-2 * Math.Log(s) / s);
        }
    }

    /// <summary>Lognormal of a mean and spread.</summary>
    public double Positive(Spread of) => Positive(new Lognormal(of));

    /// <summary>Lognormal.</summary>
    public double Positive(in Lognormal of) => of.At(Normal());

    /// <summary>A whole number of that mean: up or down by chance, so that no mean is lost in rounding.</summary>
    public int Whole(double value) => (int)Math.Floor(value + Uniform());
}
