using Rama.Core.Explain;

namespace Rama.Core.Training;

/// <summary>Hours of two systems leaf by leaf, cumulated and in money of today.</summary>
/// <param name="Cumulated">Cumulated hours by leaf, of the first and of the second.</param>
/// <param name="CrossingLeaf">Leaf from which the one that asked for more so far asks for less; null for none.</param>
/// <param name="FirstCost">What the first costs in money of today, a hectare.</param>
/// <param name="SecondCost">What the second does.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record SystemComparison(
    IReadOnlyList<LeafHours> Cumulated,
    int? CrossingLeaf,
    double FirstCost,
    double SecondCost,
    IReadOnlyList<Step> Steps
) : Calculated(SecondCost - FirstCost, "money/ha", Steps, [])
{
    /// <summary>Compares two systems.</summary>
    /// <param name="first">Hours a hectare by leaf, from the first leaf on.</param>
    /// <param name="second">Likewise, as many.</param>
    /// <param name="wage">Wage an hour.</param>
    /// <param name="rate">Discount a year, as a share.</param>
    /// <remarks>Amounts fall due at the end of their year. Source: derived.</remarks>
    public static SystemComparison Of(
        IReadOnlyList<double> first,
        IReadOnlyList<double> second,
        double wage,
        double rate
    )
    {
        List<LeafHours> cumulated =
        [
            .. first.Cumulated().Zip(second.Cumulated()).Select((h, i) => new LeafHours(i + 1, h.First, h.Second)),
        ];
        var (a, b) = (first.Sum(), second.Sum());
        var (costA, costB) = (
            first.Select(h => h * wage).PresentValue(rate),
            second.Select(h => h * wage).PresentValue(rate)
        );
        Step Cost(string code, string name, double hours, double cost) =>
            new(
                code,
                "Σ hours of a leaf × wage ÷ (1 + discount) ^ leaf",
                new(name, cost, "money/ha"),
                [new("hours in all", hours, "h/ha"), new("wage", wage, "money/h"), new("discount", rate, "share")],
                Sources.Definition
            );
        return new(
            cumulated,
            Years.Crossing([.. first.Cumulated()], [.. second.Cumulated()]),
            costA,
            costB,
            [
                Cost("comparison.first", "labour of the first", a, costA),
                Cost("comparison.second", "labour of the second", b, costB),
            ]
        );
    }
}

/// <summary>Cumulated hours up to a leaf.</summary>
/// <param name="Leaf">The leaf.</param>
/// <param name="First">Of the first system, h/ha.</param>
/// <param name="Second">Of the second.</param>
public sealed record LeafHours(int Leaf, double First, double Second);

/// <summary>Two systems to compare, as typed.</summary>
public sealed record SystemComparisonEntry
{
    private const int MostLeaves = 40;

    /// <summary>Hours a hectare of the first, by leaf.</summary>
    public IReadOnlyList<double> First { get; init; } = [];

    /// <summary>Hours a hectare of the second, by leaf.</summary>
    public IReadOnlyList<double> Second { get; init; } = [];

    /// <summary>Wage an hour.</summary>
    public double? Wage { get; init; }

    /// <summary>Discount a year, %.</summary>
    public double? DiscountPercent { get; init; }

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public SystemComparison Calculate()
    {
        var reader = new EntryReader();
        var wage = reader.Required("wage", "Wage", Wage, "", 0.01, 1_000);
        var rate = reader.Optional("discountPercent", "Discount", DiscountPercent, "%", 0, 50) ?? 0;
        if (First.Count is 0 or > MostLeaves)
            reader.Add("first", "list", $"Hours of the first: expected 1 to {MostLeaves} leaves.");
        if (Second.Count != First.Count)
            reader.Add("second", "list", "Hours of the second: expected as many leaves as of the first.");
        foreach (var (name, hours) in new[] { ("first", First), ("second", Second) })
        foreach (var (i, h) in hours.Take(MostLeaves).Index())
            reader.Required($"{name}[{i}]", $"Hours of leaf {i + 1}", h, "h/ha", 0, 5_000);
        reader.ThrowIfAny();
        return SystemComparison.Of(First, Second, wage, rate / 100);
    }
}
