using Rama.Core.Explain;

namespace Rama.Core.Training.Renewal;

/// <summary>Age of the limbs over the winters ahead when the oldest go first.</summary>
/// <param name="Winters">Each winter, the present one first.</param>
/// <param name="CycleYears">Years until every limb has been renewed; null where none is.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record RenewalForecast(
    IReadOnlyList<LimbAges> Winters,
    double? CycleYears,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(CycleYears ?? 0, "year", Steps, Warnings)
{
    /// <summary>The forecast.</summary>
    /// <param name="byAge">Limbs of one year, of two, and so on.</param>
    /// <param name="renewed">Limbs renewed each winter, 0 or more.</param>
    /// <param name="winters">Winters ahead.</param>
    /// <param name="mostYears">Longest cycle that is usual for the system; null where nobody says.</param>
    /// <remarks>
    /// Each winter limbs grow a year older, the oldest go and as many of one year come. Source: derived.
    /// </remarks>
    public static RenewalForecast Of(IReadOnlyList<double> byAge, double renewed, int winters, double? mostYears = null)
    {
        var limbs = byAge.Sum();
        List<LimbAges> told = [LimbAges.Of(0, byAge)];
        IReadOnlyList<double> ages = byAge;
        for (var winter = 1; winter <= winters; winter++)
            told.Add(LimbAges.Of(winter, ages = Next(ages, renewed)));
        double? cycle = renewed > 0 ? limbs / renewed : null;
        Figure Years(double years) => new("years", years, "year");
        List<Notice> warnings = [];
        if (cycle is null)
            warnings.Add(new("renewal.none", "No limb is renewed: the wood grows older every year and bears less."));
        else if (cycle > mostYears)
            warnings.Add(
                new(
                    "renewal.slow",
                    $"At this pace it takes {cycle:0.#} years to renew every limb, where {mostYears:0} are the most "
                        + "that is usual: take one or two more each winter.",
                    Years(cycle.Value),
                    Years(mostYears!.Value)
                )
            );
        return new(
            told,
            cycle,
            cycle is null
                ? []
                :
                [
                    new(
                        "renewal.cycle",
                        "limbs ÷ limbs renewed a year",
                        new("cycle", cycle.Value, "year"),
                        [new("limbs", limbs, "limb/tree"), new("limbs renewed a year", renewed, "limb/tree")],
                        Sources.Definition
                    ),
                ],
            warnings
        );
    }

    private static IReadOnlyList<double> Next(IReadOnlyList<double> byAge, double renewed)
    {
        var left = byAge.ToArray();
        var toGo = Math.Min(renewed, left.Sum());
        var gone = 0.0;
        for (var age = left.Length - 1; age >= 0 && gone < toGo; age--)
        {
            var of = Math.Min(left[age], toGo - gone);
            (left[age], gone) = (left[age] - of, gone + of);
        }
        return [gone, .. left];
    }
}

/// <summary>Limbs by age in one winter.</summary>
/// <param name="Winter">Winters from now; 0 is the present one.</param>
/// <param name="ByAge">Limbs of one year, of two, and so on.</param>
/// <param name="MeanYears">Their mean age, years.</param>
public sealed record LimbAges(int Winter, IReadOnlyList<double> ByAge, double MeanYears)
{
    internal static LimbAges Of(int winter, IReadOnlyList<double> byAge) =>
        new(winter, byAge, byAge.Select((n, i) => n * (i + 1)).Sum() / byAge.Sum());
}

/// <summary>Limbs by age and how many are renewed, as typed.</summary>
public sealed record RenewalForecastEntry
{
    private const int MostAges = 40,
        UsualWinters = 4;

    /// <summary>Limbs a tree of one year, of two, and so on.</summary>
    public IReadOnlyList<double> ByAge { get; init; } = [];

    /// <summary>Limbs a tree renewed each winter.</summary>
    public double? Renewed { get; init; }

    /// <summary>Winters ahead; four when left out.</summary>
    public double? Winters { get; init; }

    /// <summary>Longest cycle that is usual for the system, years.</summary>
    public double? MostYears { get; init; }

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public RenewalForecast Calculate()
    {
        var reader = new EntryReader();
        var renewed = reader.Required("renewed", "Renewed a winter", Renewed, "limb/tree", 0, 200);
        var winters = reader.OptionalWhole("winters", "Winters", Winters, "", 1, 40) ?? UsualWinters;
        var most = reader.Optional("mostYears", "Longest cycle", MostYears, "year", 1, 100);
        if (ByAge.Count is 0 or > MostAges)
            reader.Add("byAge", "list", $"Limbs by age: expected 1 to {MostAges} ages.");
        foreach (var (i, limbs) in ByAge.Take(MostAges).Index())
            reader.Required($"byAge[{i}]", $"Limbs of age {i + 1}", limbs, "limb/tree", 0, 400);
        if (ByAge.Count > 0 && ByAge.Sum() <= 0)
            reader.Add("byAge", "list", "Limbs by age: there is no limb.");
        reader.ThrowIfAny();
        return RenewalForecast.Of(ByAge, renewed, (int)winters, most);
    }
}
