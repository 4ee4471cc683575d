using Rama.Core.Target.Capacity;

namespace Rama.Core.Tests.Target.Capacity;

public sealed class TrunkTests
{
    // Handbook 2.3 [published definition]: girth² ÷ 4π.
    [Theory]
    [InlineData(12, 11.46)]
    [InlineData(16, 20.37)]
    [InlineData(20, 31.83)]
    [InlineData(25, 49.74)]
    public void Cross_section_from_girth(double girthCm, double areaCm2) =>
        Near.Printed(areaCm2, Trunk.CrossSectionCm2(girthCm), 2);

    // Handbook 2.3 [memory: extension guides]: 6 to 8 fruit/cm² usual for apple, 4 to 6 for biennial-prone varieties.
    [Theory]
    [InlineData("Jonagold", 100, null)]
    [InlineData("Jonagold", 180, "crop-load.high")]
    [InlineData("Elstar", 130, "crop-load.high")]
    [InlineData("Jonagold", 60, "crop-load.low")]
    public void A_target_beyond_what_trunks_carry_is_warned_of(string variety, double fruit, string? code)
    {
        var planting = (Entries.Planting with { Variety = variety }).Read(2027);
        Assert.Equal(code, CropLoad.Check(planting, fruit, meanTcsaCm2: 15).SingleOrDefault()?.Code);
    }

    [Fact]
    public void Young_trees_are_warned_of() =>
        Assert.Contains(CropLoad.Check((Entries.Planting with { YearPlanted = 2026 }).Read(2027), 30, null), w =>
            w.Code == "crop-load.young"
        );
}
