using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Training.Rework;

/// <summary>A reworked tree, as typed.</summary>
public sealed record ReworkedTreeEntry
{
    private const int LongestName = 80,
        LongestNote = 300;

    /// <summary>Row.</summary>
    public double? Row { get; init; }

    /// <summary>Tree in the row.</summary>
    public double? Tree { get; init; }

    /// <summary>Variety grafted on.</summary>
    public string? Variety { get; init; }

    /// <summary>Kind of graft: bark, cleft, whip, chip, tee.</summary>
    public string? Graft { get; init; }

    /// <summary>Day of the grafting; left out while it is to come.</summary>
    public DateOnly? GraftedOn { get; init; }

    /// <summary>Girth of the trunk when grafted.</summary>
    public Amount? Girth { get; init; }

    /// <summary>Height of the graft.</summary>
    public Amount? Height { get; init; }

    /// <summary>How the union was found last: holds, loose, failed.</summary>
    public string? Union { get; init; }

    /// <summary>Whether tape or lath are on; as the graft is fresh or old where left out.</summary>
    public bool? Support { get; init; }

    /// <summary>Whether it has a guard against stock.</summary>
    public bool? Guard { get; init; }

    /// <summary>Season its fruit was first seen true to name.</summary>
    public double? TrueToName { get; init; }

    /// <summary>Season whose winter work is done.</summary>
    public double? DoneSeason { get; init; }

    /// <summary>Whether it is finished.</summary>
    public bool? Finished { get; init; }

    /// <summary>What else is to know.</summary>
    public string? Note { get; init; }

    /// <summary>What is wrong with it.</summary>
    /// <param name="terms">What it is read against.</param>
    public IReadOnlyList<FieldProblem> ProblemsIn(ReworkTerms terms)
    {
        try
        {
            Read(terms);
            return [];
        }
        catch (UnusableEntryException e)
        {
            return e.Problems;
        }
    }

    /// <summary>Reads it.</summary>
    /// <param name="terms">What it is read against; null where only the tree itself is known.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public ReworkedTree Read(ReworkTerms? terms = null)
    {
        var reader = new EntryReader();
        var row = reader.RequiredWhole("row", "Row", Row, "", 1, 9_999);
        var tree = reader.RequiredWhole("tree", "Tree", Tree, "", 1, 9_999);
        var variety = reader.Text("variety", "Variety grafted on", Variety, LongestName);
        var graft = ReworkRules.Shipped.Graft(Graft);
        if (Graft is not null && graft is null)
            reader.Add(
                "graft",
                "unknown",
                $"Graft: expected {string.Join(", ", ReworkRules.Shipped.Grafts.Select(g => g.Id))}."
            );
        var girth = reader.Optional("girth", "Girth when grafted", Girth, Units.Length, 0.02, 3);
        var height = reader.Optional("height", "Height of the graft", Height, Units.Length, 0.05, 5);
        UnionState? union = Enum.TryParse<UnionState>(Union, ignoreCase: true, out var found) ? found : null;
        if (Union is not null && (union is null || int.TryParse(Union, out _)))
            reader.Add("union", "unknown", "Union: expected holds, loose or failed.");
        var true_ = reader.OptionalWhole("trueToName", "True to name", TrueToName, "", 1900, 2200);
        var done = reader.OptionalWhole("doneSeason", "Done in season", DoneSeason, "", 1900, 2200);
        var note = reader.OptionalText("note", "Note", Note, LongestNote);
        if (GraftedOn is null && (union is not null || true_ is not null || Finished == true))
            reader.Add("graftedOn", "missing", "Grafted on: please give the day, or leave out what came after it.");
        if (GraftedOn?.Year > true_)
            reader.Add("trueToName", "range", "True to name: expected after the grafting.");
        terms?.Check(reader, this);
        reader.ThrowIfAny();
        return new(
            (int)row,
            (int)tree,
            graft,
            GraftedOn,
            girth * 100,
            height,
            variety,
            union,
            Support ?? GraftedOn is not null,
            Guard ?? false,
            (int?)true_,
            (int?)done,
            Finished ?? false,
            note
        );
    }
}

/// <summary>What a reworked tree is read against.</summary>
/// <param name="YearPlanted">Calendar year of planting.</param>
/// <param name="Season">Season at hand.</param>
/// <param name="Today">The day taken as today.</param>
/// <param name="Places">How a place stands in the row list.</param>
public sealed record ReworkTerms(int YearPlanted, int Season, DateOnly Today, PlaceOfTree Places)
{
    internal void Check(EntryReader reader, ReworkedTreeEntry entry)
    {
        if (entry.GraftedOn is { } day && (day.Year < YearPlanted || day > Today))
            reader.Add(
                "graftedOn",
                "range",
                $"Grafted on: expected from {YearPlanted}, when the trees were planted, to {Today:yyyy-MM-dd}."
            );
        if (entry.TrueToName > Season)
            reader.Add("trueToName", "range", $"True to name: expected up to {Season}, the season at hand.");
        if (entry.DoneSeason > Season)
            reader.Add("doneSeason", "range", $"Done in season: expected up to {Season}, the one at hand.");
        if (entry is not { Row: { } row, Tree: { } tree })
            return;
        switch (Places((int)row, (int)tree))
        {
            case TreePlace.None:
                reader.Add("tree", "outside", $"Tree: row {row} of this planting has no tree {tree}.");
                break;
            case TreePlace.Empty:
                reader.Add("tree", "conflict", $"Tree: row {row}, tree {tree} is listed as missing.");
                break;
            case TreePlace.ToGrub when entry.Finished != true:
                reader.Add(
                    "tree",
                    "to-grub",
                    $"Tree: row {row}, tree {tree} is to be grubbed. Take that off the row list before it is reworked."
                );
                break;
        }
    }
}

/// <summary>How a place of a row stands.</summary>
/// <param name="row">Row.</param>
/// <param name="tree">Tree in the row.</param>
public delegate TreePlace PlaceOfTree(int row, int tree);

/// <summary>How a place stands in the row list, as far as reworking asks.</summary>
public enum TreePlace
{
    /// <summary>There is no such place.</summary>
    None,

    /// <summary>It stands empty or holds a dead tree.</summary>
    Empty,

    /// <summary>A tree.</summary>
    Tree,

    /// <summary>A tree that is to be grubbed.</summary>
    ToGrub,

    /// <summary>Nobody has listed the rows.</summary>
    NotListed,
}
