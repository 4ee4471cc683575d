using Rama.Core.Count;
using Rama.Core.Count.Floral;
using Rama.Core.Count.Vigour;
using Rama.Core.Explain;

namespace Rama.Data.Field;

/// <summary>One entry of a device, made in the field.</summary>
public sealed record FieldEntry
{
    /// <summary>Made up on the device, so that an entry sent twice is one.</summary>
    public required Guid Id { get; init; }

    /// <summary>Its place among the entries of the device.</summary>
    public required long Sequence { get; init; }

    /// <summary>The planting.</summary>
    public required Guid Planting { get; init; }

    /// <summary>When it was made, by the device's clock.</summary>
    public required DateTimeOffset At { get; init; }

    /// <summary>The entry it takes the place of, or takes back where it tells nothing itself.</summary>
    public Guid? Supersedes { get; init; }

    /// <summary>Row of the tree.</summary>
    public double? Row { get; init; }

    /// <summary>Tree in the row.</summary>
    public double? Tree { get; init; }

    /// <summary>The tree counted; its row and tree are those of the entry.</summary>
    public CountedTreeEntry? Counted { get; init; }

    /// <summary>Why the tree was left out.</summary>
    public string? SkipReason { get; init; }

    /// <summary>Buds cut from it.</summary>
    public BudCutEntry? Cut { get; init; }

    /// <summary>What was seen at it.</summary>
    public VigourMarkEntry? Mark { get; init; }

    /// <summary>Whether it only takes another entry back.</summary>
    internal bool IsWithdrawal =>
        Supersedes is not null && Counted is null && SkipReason is null && Cut is null && Mark is null;

    internal FieldKind Kind =>
        Counted is not null ? FieldKind.Tree
        : SkipReason is not null ? FieldKind.Skip
        : Cut is not null ? FieldKind.Cut
        : FieldKind.Mark;

    /// <summary>The entry with row and tree set in what it tells.</summary>
    internal FieldEntry Placed() =>
        this with
        {
            Counted = Counted is null ? null : Counted with { Row = Row, Tree = Tree },
            Cut = Cut is null ? null : Cut with { Row = Tree is null ? null : Row, Tree = Tree },
            Mark = Mark is null ? null : Mark with { Row = Row, Tree = Tree },
        };

    /// <summary>Checks the entry by itself.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    internal void Check()
    {
        var reader = new EntryReader();
        var told = new object?[] { Counted, SkipReason, Cut, Mark }.Count(o => o is not null);
        if (told > 1 || (told == 0 && Supersedes is null))
            reader.Add(
                "counted",
                "conflict",
                "Expected one of a counted tree, a reason to skip it, buds cut or a mark."
            );
        if (!IsWithdrawal)
        {
            reader.RequiredWhole("row", "Row", Row, "", 1, 9_999);
            if (Counted is not null || SkipReason is not null)
                reader.RequiredWhole("tree", "Tree", Tree, "", 1, 9_999);
            else
                reader.OptionalWhole("tree", "Tree", Tree, "", 1, 9_999);
        }
        reader.ThrowIfAny();
        if (SkipReason is not null)
            reader.Text("skipReason", "Reason", SkipReason, 200);
        // A share stands in for buds not cut yet: whether a count can be used does not hang on them.
        if (Counted is not null)
            reader.Under("counted", () =>
                Unindexed(
                    () => new SurveyEntry { Trees = [Placed().Counted!], FloralShare = new(50, "%") }.Read(),
                    "trees[0]."
                )
            );
        if (Cut is not null)
            reader.Under("cut", () =>
                Unindexed(() => new SurveyEntry { BudCuts = [Placed().Cut!] }.Read(), "budCuts[0].")
            );
        if (Mark is not null)
            reader.Under("mark", () => Placed().Mark!.Read());
        reader.ThrowIfAny();
    }

    private static Survey Unindexed(Func<Survey> read, string prefix)
    {
        try
        {
            return read();
        }
        catch (UnusableEntryException e)
        {
            throw new UnusableEntryException([
                .. e.Problems.Select(p =>
                    p with
                    {
                        Field = p.Field.StartsWith(prefix, StringComparison.Ordinal)
                            ? p.Field[prefix.Length..]
                            : p.Field,
                    }
                ),
            ]);
        }
    }
}

/// <summary>What a device sends: its entries in the order they were made.</summary>
public sealed record FieldBatch
{
    /// <summary>Most entries sent at once.</summary>
    public const int MostEntries = 200;

    /// <summary>The device.</summary>
    public required Guid Device { get; init; }

    /// <summary>Now, by the device's clock.</summary>
    public required DateTimeOffset SentAt { get; init; }

    /// <summary>The entries.</summary>
    public required IReadOnlyList<FieldEntry> Entries { get; init; }
}

/// <summary>What became of an entry sent.</summary>
public enum FieldOutcome
{
    /// <summary>Taken over.</summary>
    Taken,

    /// <summary>Kept beside what somebody else counted, until somebody chooses.</summary>
    Conflict,

    /// <summary>Sent before; nothing was done again.</summary>
    Known,

    /// <summary>It cannot be used; the device keeps it.</summary>
    Refused,
}

/// <summary>What became of an entry sent.</summary>
/// <param name="Id">The entry.</param>
/// <param name="Outcome">What became of it.</param>
/// <param name="Problems">Why it cannot be used.</param>
public sealed record FieldReceipt(Guid Id, FieldOutcome Outcome, IReadOnlyList<FieldProblem> Problems);
