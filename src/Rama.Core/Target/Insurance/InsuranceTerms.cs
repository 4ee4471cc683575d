using Rama.Core.Statistics;

namespace Rama.Core.Target.Insurance;

/// <summary>All that the three schools need to say how many buds to leave per fruit.</summary>
/// <param name="School">School chosen.</param>
/// <param name="FixedFactor">Buds per fruit set by hand; null where none was set.</param>
/// <param name="Reached">Share of years in which the crop should be reached, between 0 and 1.</param>
/// <param name="CostOver">Cost of one setting cluster too many, above 0.</param>
/// <param name="CostUnder">Cost of one fruit too few, in the same money, above 0.</param>
/// <param name="Set">Cluster set over the years; null where nothing is known of it.</param>
/// <param name="SetSource">Where the cluster set comes from.</param>
/// <param name="PruningSd">Standard deviation of buds left ÷ buds wanted.</param>
/// <param name="Losses">Losses still to come.</param>
/// <param name="Places">Fruit one bud or shoot carries when all of it sets.</param>
/// <param name="Fruitlets">Fruitlets per place before thinning.</param>
public sealed record InsuranceTerms(
    School School,
    double? FixedFactor,
    double Reached,
    double CostOver,
    double CostUnder,
    BetaShare? Set,
    string SetSource,
    double PruningSd,
    Losses Losses,
    double Places = 1,
    double Fruitlets = 2
)
{
    /// <summary>Share of years used unless the manager says otherwise: four years in five.</summary>
    public const double DefaultReached = 0.8;

    /// <summary>Costs used unless the manager says otherwise (assumption; only their ratio matters).</summary>
    public const double DefaultCostOver = 0.02,
        DefaultCostUnder = 0.11;

    /// <summary>How far pruning misses its number unless checks say otherwise (assumption).</summary>
    public const double DefaultPruningSd = 0.10;

    /// <summary>
    /// Share of the buds wanted that hold fruit over the years; null where nothing is known of the set.
    /// </summary>
    public SetOutcome? Outcome =>
        Set is { } set ? SetOutcome.Of(set, PruningSd, Losses.Risk is { } risk ? [risk] : []) : null;

    /// <summary>Buds per fruit of a school before known losses; null where it lacks what it needs.</summary>
    public double? FactorOf(School school) =>
        school switch
        {
            School.Fixed => FixedFactor,
            School.ServiceLevel => Outcome?.FactorReaching(Reached) / Places,
            _ => Outcome?.FactorOfCheapestMistake(CostOver, CostUnder) / Places,
        };
}
