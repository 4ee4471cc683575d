namespace Rama.Core.Quantities;

/// <summary>One unit a person may type an amount in.</summary>
/// <param name="Code">How the unit is written in entries and answers, such as <c>ft</c>.</param>
/// <param name="Factor">How many of the dimension's base unit one of this unit is.</param>
public sealed record Unit(string Code, double Factor)
{
    /// <summary>Converts a value in this unit to the dimension's base unit.</summary>
    public double ToBase(double value) => value * Factor;

    /// <summary>Converts a value in the dimension's base unit to this unit.</summary>
    public double FromBase(double value) => value / Factor;
}
