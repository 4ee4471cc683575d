using Rama.Core.Explain;

namespace Rama.Core.Target.Size;

/// <summary>
/// Mass of a fruit from its diameter, m = a·d^b: of a round fruit, or as a planting's own fruit were weighed.
/// </summary>
/// <param name="FactorG">The a: grams at 1 mm.</param>
/// <param name="Exponent">The b; 3 for fruit of one shape and density.</param>
/// <param name="Step">How it came about.</param>
public sealed record DiameterLaw(double FactorG, double Exponent, Step Step)
{
    /// <summary>Default density of apple flesh with core, g/cm³ (from memory).</summary>
    public const double AppleGPerCm3 = 0.85;

    /// <summary>Round apple of the default density.</summary>
    public static readonly DiameterLaw Apple = Round(
        AppleGPerCm3,
        "density of apple from memory, to be replaced by your own weighings"
    );

    /// <summary>A round fruit: ρ · π/6 · d³.</summary>
    /// <param name="densityGPerCm3">Mass over the volume of a ball of the fruit's diameter, g/cm³; the shape of the
    /// fruit is in it.</param>
    /// <param name="source">Where the density comes from.</param>
    public static DiameterLaw Round(double densityGPerCm3, string source)
    {
        var factor = densityGPerCm3 * Math.PI / 6 / 1_000;
        return new(
            factor,
            3,
            new(
                "fruit-size.law",
                "density × π ÷ 6 × diameter³",
                new("mass of a fruit of 75 mm", factor * Math.Pow(75, 3), "g"),
                [new("density", densityGPerCm3, "g/cm³")],
                source
            )
        );
    }

    /// <summary>Mass in grams.</summary>
    /// <param name="diameterMm">Diameter in mm, above 0.</param>
    public double MassG(double diameterMm) => FactorG * Math.Pow(diameterMm, Exponent);

    /// <summary>Diameter in mm.</summary>
    /// <param name="massG">Mass in grams, above 0.</param>
    public double DiameterMm(double massG) => Math.Pow(massG / FactorG, 1 / Exponent);
}
