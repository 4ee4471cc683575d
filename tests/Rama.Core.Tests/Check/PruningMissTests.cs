using Rama.Core.Check;

namespace Rama.Core.Tests.Check;

public class PruningMissTests
{
    private static readonly Guid Crew = new("11111111-0000-0000-0000-000000000000"),
        Other = new("22222222-0000-0000-0000-000000000000"),
        Ana = new("33333333-0000-0000-0000-000000000000"),
        Ben = new("44444444-0000-0000-0000-000000000000");

    [Fact]
    public void Before_a_check_it_is_the_usual_miss()
    {
        var miss = PruningMiss.Of([]);
        Assert.Equal(.10, miss.Estate.Sd, 12);
        Assert.Equal(0, miss.Estate.Counts);
    }

    // By hand: Ana −.1, .1 and Ben .4, .6 come to squares of .02 each around their own means, one count free each.
    [Fact]
    public void Each_is_drawn_to_the_one_above_by_eight_counts_around_its_own_mean()
    {
        var miss = PruningMiss.Of([(Crew, Ana, -.1), (Crew, Ana, .1), (Other, Ben, .4), (Other, Ben, .6)]);
        var usual = Math.Log(1.01);
        var estate = (8 * usual + .04) / 10;
        var crew = (8 * estate + .02) / 9;
        Assert.Equal(estate, miss.Estate.Variance, 12);
        Assert.Equal(crew, miss.Crews[Crew].Variance, 12);
        Assert.Equal((8 * crew + .02) / 9, miss.Pruners[Ben].Variance, 12);
        Assert.Equal(4, miss.Estate.Counts);
    }

    // Truth known: a steady crew at 15 %, and one pruner of another at 35 %.
    [Fact]
    public void Simulated_hands_are_recovered()
    {
        var random = new Random(6);
        double Ratio(double sd) =>
            sd * Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
        var pruners = Enumerable.Range(0, 6).Select(_ => Guid.NewGuid()).ToList();
        List<(Guid?, Guid?, double)> checks = [];
        foreach (var pruner in pruners)
            // One leaves too many throughout: that is no miss of this kind.
            checks.AddRange(Enumerable.Range(0, 60).Select(_ => ((Guid?)Crew, (Guid?)pruner, .2 + Ratio(.15))));
        checks.AddRange(Enumerable.Range(0, 60).Select(_ => ((Guid?)Other, (Guid?)Ana, Ratio(.35))));
        var miss = PruningMiss.Of(checks);
        Assert.InRange(Math.Sqrt(miss.Crews[Crew].Variance), .14, .17);
        Assert.InRange(Math.Sqrt(miss.Pruners[Ana].Variance), .29, .40);
        Assert.All(pruners, p => Assert.InRange(Math.Sqrt(miss.Pruners[p].Variance), .12, .19));
    }
}
