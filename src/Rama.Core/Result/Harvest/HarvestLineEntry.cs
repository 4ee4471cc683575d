using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Result.Harvest;

/// <summary>What one pick of a planting brought of one grade, as typed or from a file of the pack-house.</summary>
public sealed record HarvestLineEntry
{
    /// <summary>Which pick, from 1; the only one when left out.</summary>
    public double? Pick { get; init; }

    /// <summary>Day of the pick.</summary>
    public DateOnly? Day { get; init; }

    /// <summary>Grade or size class, or why it was rejected.</summary>
    public string? Grade { get; init; }

    /// <summary>Its mass.</summary>
    public Amount? Mass { get; init; }

    /// <summary>Fruit of that mass, where they were counted.</summary>
    public double? Fruit { get; init; }

    /// <summary>Whether it was sold as wanted; when left out, what its name says.</summary>
    public bool? IsPacked { get; init; }

    /// <summary>Mass of the whole pick as it came in, where it was weighed: what its grades must come to.</summary>
    public Amount? Delivered { get; init; }

    // Beginnings of words for what no pack-house sells as wanted: common practice, no source.
    private static readonly string[] Rejected =
    [
        "reject",
        "cull",
        "waste",
        "juice",
        "cider",
        "process",
        "industr",
        "rotten",
        "hail",
        "russet",
        "scald",
        "bruis",
        "destr",
        "desecho",
        "zumo",
        "jugo",
        "podrid",
        "granizo",
    ];

    private static bool IsRejected(string grade) =>
        grade
            .Split([' ', '-', '/', ',', '(', ')'], StringSplitOptions.RemoveEmptyEntries)
            .Any(word => Rejected.Any(r => word.StartsWith(r, StringComparison.OrdinalIgnoreCase)));

    internal HarvestLine Read()
    {
        var reader = new EntryReader();
        var pick = reader.OptionalWhole("pick", "Pick", Pick, "", 1, 60) ?? 1;
        var grade = reader.Text("grade", "Grade", Grade, 60);
        var mass = reader.Required("mass", "Mass", Mass, Units.Mass, 0, 100_000_000);
        var fruit = reader.Optional("fruit", "Fruit", Fruit, "fruit", 1, 1_000_000_000);
        var delivered = reader.Optional("delivered", "Delivered", Delivered, Units.Mass, 0, 100_000_000);
        if (mass / fruit is { } each and (< 0.0005 or > 10))
            reader.Add("fruit", "range", $"Fruit: {each * 1_000:0.#} g each cannot be.");
        reader.ThrowIfAny();
        return new((int)pick, Day, grade, mass, fruit, IsPacked ?? !IsRejected(grade), delivered);
    }
}

/// <summary>What one pick brought of one grade.</summary>
/// <param name="Pick">Which pick, from 1.</param>
/// <param name="Day">Its day; null where nobody says.</param>
/// <param name="Grade">The grade.</param>
/// <param name="Kg">Its mass.</param>
/// <param name="Fruit">Fruit of that mass; null where they were not counted.</param>
/// <param name="IsPacked">Whether it was sold as wanted.</param>
/// <param name="DeliveredKg">Mass of the whole pick; null where it was not weighed.</param>
public sealed record HarvestLine(
    int Pick,
    DateOnly? Day,
    string Grade,
    double Kg,
    double? Fruit,
    bool IsPacked,
    double? DeliveredKg
);
