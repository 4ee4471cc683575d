using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Check;

/// <summary>A finished tree counted to see whether it came out as asked, as typed or sent from the row.</summary>
/// <remarks>Of trees where no number is asked for, big cuts and limbs left tell enough.</remarks>
public sealed record TreeCheckEntry
{
    private const int MostLimbs = 400,
        LongestNote = 300;

    /// <summary>Row number.</summary>
    public double? Row { get; init; }

    /// <summary>Tree in the row.</summary>
    public double? Tree { get; init; }

    /// <summary>Identifier of the pass that is checked.</summary>
    public string? Pass { get; init; }

    /// <summary>Day of the check.</summary>
    public DateOnly? Day { get; init; }

    /// <summary>Who pruned the tree; null where nobody knows.</summary>
    public Guid? Pruner { get; init; }

    /// <summary>The crew; null where nobody knows.</summary>
    public Guid? Crew { get; init; }

    /// <summary>Trunk girth; tells the class.</summary>
    public Amount? Girth { get; init; }

    /// <summary>Trunk class as told apart by eye, where the girth is not measured.</summary>
    public string? Class { get; init; }

    /// <summary>Floral buds left on the whole tree; the sum of its limbs when left out.</summary>
    public double? Left { get; init; }

    /// <summary>Limbs one by one, with the buds left on each; for who works by the gauge.</summary>
    public IReadOnlyList<CheckedLimbEntry> Limbs { get; init; } = [];

    /// <summary>Limbs left on the tree; the number of those listed when left out.</summary>
    public double? LimbsLeft { get; init; }

    /// <summary>Big cuts made on it.</summary>
    public double? BigCuts { get; init; }

    /// <summary>Minutes it took.</summary>
    public double? Minutes { get; init; }

    /// <summary>Whether it was short of buds before anybody cut: then nobody is to blame.</summary>
    public bool WasShort { get; init; }

    /// <summary>Whether a count that looks wrong was made twice and stands.</summary>
    public bool IsSure { get; init; }

    /// <summary>Whether it is a tree of the walk after pruning, and not one drawn for its pruner.</summary>
    public bool AfterPruning { get; init; }

    /// <summary>A note, at most 300 characters.</summary>
    public string? Note { get; init; }

    /// <summary>Reads it.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public TreeCheck Read()
    {
        var reader = new EntryReader();
        var row = reader.RequiredWhole("row", "Row", Row, "", 1, 9_999);
        var tree = reader.RequiredWhole("tree", "Tree", Tree, "", 1, 9_999);
        var pass = reader.Text("pass", "Pass", Pass, 60);
        if (Day is null)
            reader.Add("day", "missing", "Day: please fill this in.");
        var girth = reader.Optional("girth", "Girth", Girth, Units.Length, 0.02, 3) * 100;
        var of = reader.OptionalText("class", "Trunk class", Class, 60);
        var left = reader.OptionalWhole("left", "Buds left", Left, "bud/tree", 0, 20_000);
        if (Limbs.Count > MostLimbs)
            reader.Add("limbs", "range", $"Limbs: expected at most {MostLimbs}.");
        var limbs = Limbs.Take(MostLimbs).Select((l, i) => reader.Under($"limbs[{i}]", l.Read)!).ToList();
        var limbsLeft = reader.OptionalWhole("limbsLeft", "Limbs left", LimbsLeft, "limb/tree", 0, MostLimbs);
        var bigCuts = reader.OptionalWhole("bigCuts", "Big cuts", BigCuts, "cut/tree", 0, 100);
        var minutes = reader.Optional("minutes", "Minutes", Minutes, "min/tree", 0.1, 600);
        var note = reader.OptionalText("note", "Note", Note, LongestNote);
        if (left is null && Limbs.Count == 0 && bigCuts is null && limbsLeft is null)
            reader.Add("left", "missing", "Buds left: please fill this in.");
        reader.ThrowIfAny();
        if (left is { } all && limbs.Count > 0 && limbs.Sum(l => l.Buds) is var sum && Math.Abs(all - sum) > 0.5)
            throw new UnusableEntryException([
                new("left", "conflict", $"Buds left: the limbs come to {sum:0}, not {all:0}. Leave one of them out."),
            ]);
        return new(
            (int)row,
            (int)tree,
            pass,
            Day!.Value,
            Pruner,
            Crew,
            girth,
            of,
            left ?? (limbs.Count > 0 ? limbs.Sum(l => l.Buds) : null),
            limbs,
            limbsLeft ?? (limbs.Count > 0 ? limbs.Count : null),
            bigCuts,
            minutes,
            WasShort,
            IsSure,
            AfterPruning,
            note
        );
    }
}

/// <summary>A limb of a checked tree, as typed.</summary>
public sealed record CheckedLimbEntry
{
    /// <summary>Diameter 2 to 3 cm from its base.</summary>
    public Amount? Diameter { get; init; }

    /// <summary>Floral buds left on it.</summary>
    public double? Buds { get; init; }

    internal CheckedLimb Read()
    {
        var reader = new EntryReader();
        var diameter = reader.Optional("diameter", "Limb", Diameter, Units.Length, 0.002, 0.3) * 1_000;
        var buds = reader.RequiredWhole("buds", "Buds left", Buds, "bud/limb", 0, 5_000);
        reader.ThrowIfAny();
        return new(diameter, buds);
    }
}

/// <summary>A limb of a checked tree.</summary>
/// <param name="DiameterMm">Its diameter, mm; null where not measured.</param>
/// <param name="Buds">Floral buds left on it.</param>
public sealed record CheckedLimb(double? DiameterMm, double Buds);

/// <summary>A finished tree counted to see whether it came out as asked.</summary>
/// <param name="Row">Row number.</param>
/// <param name="Tree">Tree in the row.</param>
/// <param name="Pass">Identifier of the pass that is checked.</param>
/// <param name="Day">Day of the check.</param>
/// <param name="Pruner">Who pruned it.</param>
/// <param name="Crew">The crew.</param>
/// <param name="GirthCm">Trunk girth, cm.</param>
/// <param name="Class">Trunk class by eye.</param>
/// <param name="Left">Floral buds left; null where no number is asked for.</param>
/// <param name="Limbs">Limbs one by one.</param>
/// <param name="LimbsLeft">Limbs left.</param>
/// <param name="BigCuts">Big cuts made.</param>
/// <param name="Minutes">Minutes it took.</param>
/// <param name="WasShort">Whether it was short of buds before.</param>
/// <param name="IsSure">Whether a count that looks wrong was made twice.</param>
/// <param name="AfterPruning">Whether it is a tree of the walk after pruning.</param>
/// <param name="Note">A note.</param>
public sealed record TreeCheck(
    int Row,
    int Tree,
    string Pass,
    DateOnly Day,
    Guid? Pruner,
    Guid? Crew,
    double? GirthCm,
    string? Class,
    double? Left,
    IReadOnlyList<CheckedLimb> Limbs,
    double? LimbsLeft,
    double? BigCuts,
    double? Minutes,
    bool WasShort,
    bool IsSure,
    bool AfterPruning,
    string? Note
);
