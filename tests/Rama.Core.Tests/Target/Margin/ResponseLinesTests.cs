using Rama.Core.Target.Margin;

namespace Rama.Core.Tests.Target.Margin;

public sealed class ResponseLinesTests
{
    // A cherry of 10 g cannot lose 6 g to a fruit more: in proportion to a pome fruit of 180 g it is a third of a gram.
    [Fact]
    public void Small_fruit_lose_in_proportion()
    {
        Near.Printed(-0.33, ResponseLines.Size([], 10, 8, 12).Slope, 2);
        Assert.Equal(-6, ResponseLines.Size([], 180, 4, 8).Slope);
    }

    // Handbook 2.13 by hand: the line goes through 180 g at the middle of 4 to 8 fruit, 6 g less for each fruit more.
    [Fact]
    public void A_usual_line_goes_through_the_mass_at_a_moderate_crop()
    {
        var line = ResponseLines.Size([], 180, 4, 8);
        Assert.Equal((180, 168), (line.At(6), line.At(8)));
    }

    // Common practice, no source: fruit do not grow larger for being more.
    [Fact]
    public void A_few_seasons_that_say_more_fruit_are_larger_make_the_line_level()
    {
        var line = ResponseLines.Size([(4, 150), (6, 190), (8, 230)], 180, 4, 8);
        Assert.Equal(0, line.Slope);
        Assert.InRange(line.At(6), 150, 230);
    }
}
