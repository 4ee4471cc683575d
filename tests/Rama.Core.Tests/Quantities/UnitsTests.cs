using CsCheck;
using Rama.Core.Quantities;

namespace Rama.Core.Tests.Quantities;

public sealed class UnitsTests
{
    // NIST Special Publication 811, appendix B (exact definitions): 1 ft = 0.3048 m, 1 in = 2.54 cm,
    // 1 lb = 0.453 592 37 kg, 1 oz = 28.349 523 125 g, short ton = 907.184 74 kg.
    [Theory]
    [InlineData("ft", 0.3048)]
    [InlineData("in", 0.0254)]
    public void Lengths_follow_the_exact_definitions(string code, double metres) =>
        Assert.Equal(metres, Units.Length[code].ToBase(1), 15);

    [Theory]
    [InlineData("lb", 0.45359237)]
    [InlineData("oz", 0.028349523125)]
    [InlineData("ton", 907.18474)]
    public void Masses_follow_the_exact_definitions(string code, double kg) =>
        Assert.Equal(kg, Units.Mass[code].ToBase(1), 12);

    // 1 ac = 0.404 685 642 24 ha, exact from the international foot (NIST SP 811 gives 4 046.856 m² for it).
    [Fact]
    public void An_acre_is_43560_square_feet() => Assert.Equal(0.40468564224, Units.Area["ac"].ToBase(1), 14);

    [Fact]
    public void Every_unit_converts_to_its_base_and_back()
    {
        var all = Units
            .Length.Values.Concat(Units.Area.Values)
            .Concat(Units.Mass.Values)
            .Concat(Units.Share.Values)
            .ToArray();
        Gen.Select(Gen.Int[0, all.Length - 1].Select(i => all[i]), Gen.Double[1e-6, 1e6])
            .Sample((unit, value) => Math.Abs(unit.FromBase(unit.ToBase(value)) - value) <= value * 1e-14);
    }
}
