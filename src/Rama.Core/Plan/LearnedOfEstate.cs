using Rama.Core.Crops;
using Rama.Core.Estate;
using Rama.Core.Result;
using Rama.Core.Result.Learning;
using Rama.Core.Target.Margin;

namespace Rama.Core.Plan;

/// <summary>What the seasons of all plantings of an estate taught.</summary>
/// <param name="Plantings">By planting; none for one without seasons.</param>
/// <param name="Shoots">Shoots grown after wood was cut, over all plantings.</param>
/// <param name="Tests">How well each number was foretold, over all plantings.</param>
/// <param name="KeptTo">Shipped numbers the estate keeps to.</param>
public sealed record LearnedOfEstate(
    IReadOnlyDictionary<Guid, IReadOnlyList<LearnedValue>> Plantings,
    EstatePairs Shoots,
    IReadOnlyList<BackTest> Tests,
    IReadOnlySet<LearnedQuantity> KeptTo
)
{
    /// <summary>Nothing learned.</summary>
    public static LearnedOfEstate None { get; } = Of(new Dictionary<Guid, TaughtOfPlanting>());

    /// <summary>Puts together what plantings taught: shoots are learned of all, and what a test refuses is not used for
    /// other numbers either.</summary>
    /// <param name="plantings">What each taught.</param>
    public static LearnedOfEstate Of(IReadOnlyDictionary<Guid, TaughtOfPlanting> plantings)
    {
        var shoots = ShootsOfEstate.Of(plantings.Values.Select(p => p.Shoots));
        var girths = BackTest.Of(
            plantings.Values.SelectMany(p => p.Values).Where(v => v.Quantity == LearnedQuantity.TrunkGrowth)
        );
        var values = plantings.ToDictionary(p => p.Key, p => p.Value.With(shoots, girths is not { Refused: true }));
        var tests = BackTest.AllOf(values.Values.SelectMany(v => v));
        return new(values, shoots, tests, tests.Where(t => t.Refused).Select(t => t.Quantity).ToHashSet());
    }
}

/// <summary>What the seasons of one planting taught, before those of the others are known.</summary>
/// <param name="Values">Its numbers, but for those learned of all plantings.</param>
/// <param name="MassAsMeasured">Fruit mass by seasons whose own trunks were measured alone; null where they teach
/// none.</param>
/// <param name="Shoots">Its seasons that tell of shoots.</param>
/// <param name="Habit">How its crop bears; null where the planting cannot be used.</param>
public sealed record TaughtOfPlanting(
    IReadOnlyList<LearnedValue> Values,
    LearnedValue? MassAsMeasured,
    IReadOnlyList<SeasonResult> Shoots,
    BearingHabit? Habit
)
{
    /// <summary>Nothing taught.</summary>
    public static TaughtOfPlanting Nothing { get; } = new([], null, [], null);

    /// <summary>What a planting taught.</summary>
    /// <param name="reading">What was typed, read.</param>
    /// <param name="returns">Return bloom by season.</param>
    public static TaughtOfPlanting Of(PlanReading reading, IReadOnlyDictionary<int, ResponsePair> returns)
    {
        var asMeasured = reading with
        {
            Learned = reading.Learned with { KeptTo = new HashSet<LearnedQuantity> { LearnedQuantity.TrunkGrowth } },
        };
        return new(
            SeasonLearning.OwnOf(reading, returns),
            SeasonLearning.MassOf(asMeasured),
            ShootsOfEstate.TellingOf(reading.Seasons),
            reading.Crop?.Habit
        );
    }

    internal IReadOnlyList<LearnedValue> With(EstatePairs estate, bool trunksGrow)
    {
        var own = trunksGrow
            ? Values.AsEnumerable<LearnedValue?>()
            : Values.Where(v => v.Quantity != LearnedQuantity.FruitMass).Append(MassAsMeasured);
        var shoots = Habit is { } habit ? ShootAnswer.All.Select(a => LearnedShoots.Of(a, Shoots, estate, habit)) : [];
        return [.. own.Concat(shoots).OfType<LearnedValue>()];
    }
}
