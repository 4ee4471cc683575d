using Rama.Core.Crew.Progress;
using Rama.Core.Estate;
using Rama.Core.Result.Learning;

namespace Rama.Core.Tests.Result;

public sealed class HoursForesightTests
{
    private static readonly Guid[] Plantings = [.. Enumerable.Range(0, 20).Select(_ => Guid.NewGuid())];

    private static IEnumerable<(DateOnly, WorkLog)> Season(Func<int, int, double> ratio) =>
        from day in Enumerable.Range(0, 30)
        from planting in Enumerable.Range(0, Plantings.Length)
        where (planting + day) % 4 == 0
        select (
            new DateOnly(2027, 1, 1).AddDays(day),
            new WorkLog(Plantings[planting], null, ratio(planting, day), 400)
        );

    // Truth known: plantings take longer by their own, normal with .2, row sets differ by .25.
    [Fact]
    public void Plantings_that_take_their_own_time_are_foretold_better()
    {
        Random random = new(3);
        double[] own = [.. Plantings.Select(_ => .15 + .2 * Normal(random))];
        var test = HoursForesight.Of(Season((p, _) => own[p] + .25 * Normal(random)))!;
        Assert.True(test is { Refused: false, Gain: > 0, Quantity: LearnedQuantity.Hours });
        Assert.Equal("back-test.hours-used", test.Sentence.Code);
        Assert.True(test.SdError < test.ShippedSdError);
    }

    // Each stretch turns round what the ones before it taught.
    [Fact]
    public void A_pace_that_turns_round_is_refused()
    {
        var test = HoursForesight.Of(Season((p, day) => (day < 6 ? 1 : -1) * (p % 2 == 0 ? 1.1 : .9)))!;
        Assert.True(test.Refused);
        Assert.Equal("back-test.hours-refused", test.Sentence.Code);
    }

    [Fact]
    public void One_day_foretells_nothing()
    {
        Assert.Null(HoursForesight.Of([]));
        Assert.Null(HoursForesight.Of(Season((_, _) => .1).Where(l => l.Item1.Day == 1)));
    }

    private static double Normal(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}
