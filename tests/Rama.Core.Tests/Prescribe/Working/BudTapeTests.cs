using Rama.Core.Prescribe.Working;
using Rama.Core.Target.Sharing;

namespace Rama.Core.Tests.Prescribe.Working;

public sealed class BudTapeTests
{
    public static readonly TheoryData<double, double, double> Gauges = new()
    {
        { 5, 8, 22 },
        { 0.4, 8, 22 },
        { 12.3, 8, 22 },
        { 60, 8, 22 },
        { 300, 8, 22 },
        { 8, 16, 45 },
        { 2, 24, 49 },
    };

    // Girth is π times thickness: 8 to 22 mm thick are 25 to 69 mm round (geometry).
    [Fact]
    public void A_tape_runs_over_the_girths_of_the_limbs_it_has_a_number_for()
    {
        var tape = BudTape.Of(new LimbGauge(5), 8, 22);
        Assert.Equal((25.13, 69.12), (Math.Round(tape.FromMm, 2), Math.Round(tape.OutFromMm, 2)));
    }

    [Theory, MemberData(nameof(Gauges))]
    public void Its_numbers_rise_side_by_side_and_have_room(double budsPerCm2, double fromMm, double bigMm)
    {
        var cells = BudTape.Of(new LimbGauge(budsPerCm2), fromMm, bigMm).Cells;
        foreach (var (one, next) in cells.Zip(cells.Skip(1)))
        {
            Assert.Equal(one.ToMm, next.FromMm);
            Assert.True(one.Buds < next.Buds, $"{one.Buds} before {next.Buds}");
        }
        Assert.All(cells, c => Assert.True(c.ToMm - c.FromMm >= 2.5, $"{c}"));
    }

    // What is read is what the gauge says, to a bud and what paper can tell: round numbers about 4 mm apart, and area
    // goes with the square of the girth, so that 2.5 mm are 20 % on the thinnest limb and 7 % on the thickest.
    [Theory, MemberData(nameof(Gauges))]
    public void A_limb_is_read_as_its_gauge_says(double budsPerCm2, double fromMm, double bigMm)
    {
        var tape = BudTape.Of(new LimbGauge(budsPerCm2), fromMm, bigMm);
        for (var girth = tape.FromMm; girth <= tape.OutFromMm; girth += 0.1)
        {
            var read = tape.Cells.First(c => girth <= c.ToMm).Buds;
            var buds = budsPerCm2 * girth * girth / (4 * Math.PI) / 100;
            var paper = 5 / girth;
            Assert.InRange(read, buds * (1 - paper) - 1, buds * (1 + paper) + 1);
        }
    }
}
