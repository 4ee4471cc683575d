namespace Rama.Core.Systems;

/// <summary>What of the wood of a system is renewed in turn.</summary>
public enum RenewedWood
{
    /// <summary>Its limbs.</summary>
    Limb,

    /// <summary>One of the few scaffolds of a broad canopy a year.</summary>
    Scaffold,
}

/// <summary>How a system renews its wood.</summary>
/// <param name="Of">What is renewed.</param>
/// <param name="LeastYears">Cycle below which wood goes before it has cropped, years.</param>
/// <param name="MostYears">Longest cycle that is usual, years.</param>
/// <param name="BearingYears">Age up to which wood bears well, years.</param>
/// <param name="Cohorts">Ages of the three cohorts of a leader; none when left out.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record SystemRenewal(
    RenewedWood Of,
    double LeastYears,
    double MostYears,
    double BearingYears,
    RenewalCohorts? Cohorts,
    string Source
)
{
    /// <summary>What is wrong with it.</summary>
    internal IEnumerable<string> Faults()
    {
        if (LeastYears is not (>= 1 and <= 40) || MostYears is not (>= 1 and <= 100) || LeastYears > MostYears)
            yield return "renewal: expected leastYears from 1 to 40, and mostYears not below it and up to 100";
        if (BearingYears is not (>= 1 and <= 60))
            yield return "renewal: expected bearingYears from 1 to 60";
        if (Cohorts is { } cohorts && (cohorts.BuiltTo < 1 || cohorts.CroppingTo <= cohorts.BuiltTo))
            yield return "renewal: expected croppingTo above builtTo, and that from 1 on";
    }
}

/// <summary>The cohorts of a leader: being built, cropping, and older ones, to be removed next winter.</summary>
/// <param name="BuiltTo">Age up to which limbs are being built, years.</param>
/// <param name="CroppingTo">Age up to which they crop, years.</param>
public sealed record RenewalCohorts(int BuiltTo, int CroppingTo);
