using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Count.Vigour;

/// <summary>How the leader or leaders of a tree stand.</summary>
public enum LeaderState
{
    /// <summary>One leader, growing as it should.</summary>
    Good,

    /// <summary>Thin, short or dried back.</summary>
    Weak,

    /// <summary>Thick and long, with strong side shoots.</summary>
    Strong,

    /// <summary>A second shoot competes with it.</summary>
    Rival,

    /// <summary>One leader runs away from the others.</summary>
    Runaway,

    /// <summary>Broken or gone.</summary>
    Broken,
}

/// <summary>Signs that too little light comes in, in the order they appear.</summary>
public enum ShadeSign
{
    /// <summary>None.</summary>
    None,

    /// <summary>Inner leaves are thin.</summary>
    Early,

    /// <summary>The grass of the alley goes.</summary>
    Late,

    /// <summary>The inner scaffold is bare.</summary>
    VeryLate,
}

/// <summary>What the young wood looks like.</summary>
public enum WoodSign
{
    /// <summary>Fruiting shoots as thick as a pencil.</summary>
    Pencil,

    /// <summary>Short, thin and blind.</summary>
    Blind,

    /// <summary>A forest of uprights.</summary>
    Uprights,
}

/// <summary>Something wrong with a tree that is to be looked at again.</summary>
public enum TreeCondition
{
    /// <summary>Canker or another disease of the bark.</summary>
    Canker,

    /// <summary>Fire blight.</summary>
    FireBlight,

    /// <summary>Silver leaf.</summary>
    SilverLeaf,

    /// <summary>Mildew on the shoot tips.</summary>
    Mildew,

    /// <summary>Winter injury.</summary>
    WinterInjury,

    /// <summary>A broken or split limb.</summary>
    BrokenLimb,

    /// <summary>Leaning, or loose at its stake or wire.</summary>
    Leaning,

    /// <summary>Gnawed by voles, hares or deer.</summary>
    Gnawed,

    /// <summary>Dying or dead.</summary>
    Dying,
}

/// <summary>What was seen at a tree, or along a row, on the vigour walk, as typed.</summary>
public sealed record VigourMarkEntry
{
    /// <summary>Row number.</summary>
    public double? Row { get; init; }

    /// <summary>Tree in the row; the whole row when left out.</summary>
    public double? Tree { get; init; }

    /// <summary>Length of last season's shoots.</summary>
    public Amount? Extension { get; init; }

    /// <summary>Height of the tree.</summary>
    public Amount? Height { get; init; }

    /// <summary>How the leader stands.</summary>
    public LeaderState? Leader { get; init; }

    /// <summary>Signs of shade.</summary>
    public ShadeSign? Shade { get; init; }

    /// <summary>What the young wood looks like.</summary>
    public WoodSign? Wood { get; init; }

    /// <summary>Whether the place is empty.</summary>
    public bool Gap { get; init; }

    /// <summary>What is wrong with the tree.</summary>
    public IReadOnlyList<TreeCondition> Conditions { get; init; } = [];

    /// <summary>Day to look again, year-month-day.</summary>
    public DateOnly? LookAgain { get; init; }

    /// <summary>A note.</summary>
    public string? Note { get; init; }

    /// <summary>Reads the entry.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public VigourMark Read()
    {
        var reader = new EntryReader();
        var row = reader.RequiredWhole("row", "Row", Row, "", 1, 9_999);
        var tree = reader.OptionalWhole("tree", "Tree", Tree, "", 1, 9_999);
        var extension = reader.Optional("extension", "Shoot extension", Extension, Units.Length, 0, 3);
        var height = reader.Optional("height", "Height", Height, Units.Length, 0.2, 15);
        var note = reader.OptionalText("note", "Note", Note, 500);
        if (
            extension is null
            && height is null
            && Leader is null
            && Shade is null
            && Wood is null
            && !Gap
            && Conditions.Count == 0
            && note is null
        )
            reader.Add("extension", "missing", "Please mark at least one thing that was seen.");
        if (Conditions.Distinct().Count() != Conditions.Count)
            reader.Add("conditions", "duplicate", "Condition: each may be named once.");
        if (LookAgain is { Year: < 1900 or > 2200 })
            reader.Add("lookAgain", "range", "Look again: expected a day between 1900 and 2200.");
        reader.ThrowIfAny();
        return new((int)row, (int?)tree, extension * 100, height, Leader, Shade, Wood, Gap, Conditions, LookAgain);
    }
}

/// <summary>What was seen at a tree or along a row.</summary>
/// <param name="Row">Row number.</param>
/// <param name="Tree">Tree in the row; null for the whole row.</param>
/// <param name="ExtensionCm">Length of last season's shoots, cm.</param>
/// <param name="HeightM">Height of the tree, m.</param>
/// <param name="Leader">How the leader stands.</param>
/// <param name="Shade">Signs of shade.</param>
/// <param name="Wood">What the young wood looks like.</param>
/// <param name="Gap">Whether the place is empty.</param>
/// <param name="Conditions">What is wrong with the tree.</param>
/// <param name="LookAgain">Day to look again.</param>
public sealed record VigourMark(
    int Row,
    int? Tree,
    double? ExtensionCm,
    double? HeightM,
    LeaderState? Leader,
    ShadeSign? Shade,
    WoodSign? Wood,
    bool Gap,
    IReadOnlyList<TreeCondition> Conditions,
    DateOnly? LookAgain
);
