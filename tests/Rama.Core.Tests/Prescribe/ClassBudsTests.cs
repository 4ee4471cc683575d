using Rama.Core.Count;
using Rama.Core.Plan;
using Rama.Core.Prescribe;

namespace Rama.Core.Tests.Prescribe;

/// <summary>How the buds of a planting are shared among its trunk classes.</summary>
public sealed class ClassBudsTests
{
    private static readonly double[] GirthsCm = [28.8, 27.1, 33.2, 30.7, 31.6, 29.7, 35.7, 29.9];

    private static TreeStock Of(params double[] buds) =>
        PruningPlan
            .Of(Entries.Plan() with { Count = new() { Trees = [.. GirthsCm.Zip(buds, (girth, b) => new CountedTreeEntry
                                {
                                    Row = 1,
                                    Tree = girth * 10,
                                    Girth = new(girth, "cm"),
                                    FloralBuds = b,
                                })] } })
            .Stock!;

    // R 4.2: anova(lm(b / x ~ class)), x the trunks' cross-section and classes up to 29.2 and 32.4 cm (quartiles):
    // p = .91; .013, and .11 for the residuals of lm(b ~ x) between classes on one degree of freedom; .0013 and .0027.
    public static readonly TheoryData<BudsOfClasses, double[]> Counts = new()
    {
        { BudsOfClasses.ByTrunk, [277, 222, 351, 270, 350, 286, 394, 293] },
        { BudsOfClasses.ByLine, [3093, 3156, 3309, 2854, 3104, 2678, 2884, 2641] },
        { BudsOfClasses.ByCount, [150, 155, 330, 310, 312, 305, 335, 308] },
    };

    [Theory, MemberData(nameof(Counts))]
    public void Buds_go_with_the_trunk_unless_the_count_surely_says_otherwise(BudsOfClasses by, double[] buds) =>
        Assert.Equal(by, Of(buds).BudsBy);

    // R 4.2: predict(lm(b ~ x)) at the classes' mean trunks, 2951.9, 2962.8 and 2981.9; they add up to the
    // counted mean.
    [Fact]
    public void Along_a_line_neighbouring_classes_differ_little()
    {
        var stock = Of(3093, 3156, 3309, 2854, 3104, 2678, 2884, 2641);
        double[] line = [2951.9, 2962.8, 2981.9];
        Assert.Equal(line, stock.Classes.Select(c => c.Standing.Mean), (a, b) => Math.Abs(a / b - 1) < 0.001);
        Assert.Equal(2964.9, stock.MeanBuds, 0.1);
    }

    // By hand. Classes up to 29.2 and from 32.4 cm hold 90 and 110, four of 200, and 270 and 330 buds. Shares of the
    // class mean off it, squared: .01 + .01 + 0 + .01 + .01 on 1 + 3 + 1 degrees of freedom: √(.04 ÷ 5) = .0894. Over
    // all eight, whose classes differ threefold, the coefficient of variation is .390.
    [Fact]
    public void Trees_of_a_class_differ_less_than_those_of_the_planting()
    {
        var stock = Of(90, 110, 270, 200, 200, 200, 330, 200);
        Assert.Equal(3, stock.Classes.Count);
        Assert.All(stock.Classes, c => Near.Printed(0.0894, c.Counts.FloralBuds.Cv, 4));
        // A class is known to the share the planting is known to.
        Assert.All(stock.Classes, c =>
            Assert.Equal(
                stock.Classes[0].Standing.Low!.Value / stock.Classes[0].Standing.Mean,
                c.Standing.Low!.Value / c.Standing.Mean,
                9
            )
        );
    }
}
