using Rama.Core.Explain;

namespace Rama.Core.Prescribe.Working;

/// <summary>Trees cut in each of the ways a crew can work, added up as they come: no tree is kept.</summary>
internal sealed class WaysOfWorking(MissCosts costs)
{
    private static readonly WayOfWorking[] Ways = Enum.GetValues<WayOfWorking>();

    private readonly List<(double Share, WayTally[] Ways)> _classes = [];

    /// <summary>Begins a trunk class; tells where to add its trees, by way.</summary>
    /// <param name="of">What is prescribed for it.</param>
    public IReadOnlyList<WayTally> Begin(ClassPrescription of)
    {
        var tallies = Ways.Select(_ => new WayTally(of, costs)).ToArray();
        _classes.Add((of.Class.Share, tallies));
        return tallies;
    }

    /// <summary>What each way comes to; empty where no class is brought to a number.</summary>
    public IReadOnlyList<WayResult> Results()
    {
        if (_classes.Sum(c => c.Share) <= 0)
            return [];
        List<WayResult> results = [.. Ways.Select(Result)];
        var cheapest = results.MinBy(r => r.CostPerTree)!.Way;
        return [.. results.Select(r => r with { IsProposed = r.Way == cheapest })];
    }

    private WayResult Result(WayOfWorking way)
    {
        var all = _classes.Sum(c => c.Share);
        double Mean(Func<WayTally, double> of) => _classes.Sum(c => c.Share * of(c.Ways[(int)way])) / all;
        var (meant, on) = (Mean(t => t.Meant), Mean(t => t.OnTarget));
        var (minutes, isShort, over) = (Mean(t => t.Seconds) / 60, Mean(t => t.FruitShort), Mean(t => t.Over));
        Step cost = new(
            "ways.cost",
            "minutes ÷ 60 × wage + fruit short × cost of one + clusters over × cluster set × cost of one",
            new("cost in sum", costs.Of(minutes, isShort, over), "money/tree"),
            [
                new("minutes", minutes, "min/tree"),
                new("wage", costs.WagePerHour, "money/h"),
                new("fruit short", isShort, "fruit/tree"),
                new("a fruit too few costs", costs.CostUnder, "money"),
                new("clusters over", over, "cluster/tree"),
                new("cluster set", costs.SetMean, "share"),
                new("a cluster too many costs", costs.CostOver, "money"),
            ],
            "typical trees cut by the card; people's errors are assumptions"
        );
        return new(
            way,
            meant > 0 ? on / meant : 1,
            Mean(t => t.Left),
            Math.Sqrt(Mean(t => t.Variance)),
            minutes,
            isShort,
            over,
            cost.Result.Value,
            IsProposed: false,
            [cost]
        );
    }
}
