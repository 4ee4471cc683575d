using Rama.Core.Quantities;
using Rama.Core.Training.Rework;
using Rama.Data.History;

namespace Rama.Data.Training.Rework;

/// <summary>A tree that is grafted over, or to be, as entered.</summary>
public sealed class ReworkedTreeRecord : IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>The planting.</summary>
    public Guid PlantingId { get; init; }

    /// <inheritdoc cref="ReworkedTree.Row" />
    public int Row { get; init; }

    /// <inheritdoc cref="ReworkedTree.Tree" />
    public int Tree { get; init; }

    /// <inheritdoc cref="ReworkedTreeEntry.Variety" />
    public string Variety { get; private set; } = "";

    /// <inheritdoc cref="ReworkedTreeEntry.Graft" />
    public string? Graft { get; private set; }

    /// <inheritdoc cref="ReworkedTreeEntry.GraftedOn" />
    public DateOnly? GraftedOn { get; private set; }

    /// <inheritdoc cref="ReworkedTreeEntry.Girth" />
    public Amount Girth { get; private set; } = new();

    /// <inheritdoc cref="ReworkedTreeEntry.Height" />
    public Amount Height { get; private set; } = new();

    /// <inheritdoc cref="ReworkedTreeEntry.Union" />
    public UnionState? Union { get; private set; }

    /// <inheritdoc cref="ReworkedTreeEntry.Support" />
    public bool? Support { get; private set; }

    /// <inheritdoc cref="ReworkedTreeEntry.Guard" />
    public bool? Guard { get; private set; }

    /// <inheritdoc cref="ReworkedTreeEntry.TrueToName" />
    public int? TrueToName { get; private set; }

    /// <inheritdoc cref="ReworkedTreeEntry.DoneSeason" />
    public int? DoneSeason { get; private set; }

    /// <inheritdoc cref="ReworkedTreeEntry.Finished" />
    public bool? Finished { get; private set; }

    /// <inheritdoc cref="ReworkedTreeEntry.Note" />
    public string? Note { get; private set; }

    /// <summary>The field entry that said all of it last; null where the office did.</summary>
    [NotInHistory]
    public Guid? FieldEntryId { get; private set; }

    /// <summary>PostgreSQL's row version; 0 while nothing is saved.</summary>
    public uint Version { get; private set; }

    HistoryPlace IHistoried.Place => new("rework", PlantingId, Detail: $"{Row}/{Tree}");

    /// <summary>Takes over what the core has read without a problem.</summary>
    /// <param name="entry">The entry.</param>
    /// <param name="fieldEntry">The field entry it came with; null from the office.</param>
    public void TakeOver(ReworkedTreeEntry entry, Guid? fieldEntry)
    {
        (Variety, Graft, GraftedOn) = (entry.Variety!.Trim(), entry.Graft, entry.GraftedOn);
        (Girth, Height) = (entry.Girth ?? new(), entry.Height ?? new());
        Union = Enum.TryParse<UnionState>(entry.Union, ignoreCase: true, out var union) ? union : null;
        (Support, Guard, Finished) = (entry.Support, entry.Guard, entry.Finished);
        (TrueToName, DoneSeason) = ((int?)entry.TrueToName, (int?)entry.DoneSeason);
        Note = string.IsNullOrWhiteSpace(entry.Note) ? null : entry.Note.Trim();
        FieldEntryId = fieldEntry;
    }

    /// <summary>The tree as the core knows it; it was read when it was saved.</summary>
    public ReworkedTree ToTree() => ToEntry().Read();

    /// <summary>The tree as it was typed.</summary>
    public ReworkedTreeEntry ToEntry() =>
        new()
        {
            Row = Row,
            Tree = Tree,
            Variety = Variety,
            Graft = Graft,
            GraftedOn = GraftedOn,
            Girth = Typed(Girth),
            Height = Typed(Height),
            Union = Union?.ToString().ToLowerInvariant(),
            Support = Support,
            Guard = Guard,
            TrueToName = TrueToName,
            DoneSeason = DoneSeason,
            Finished = Finished,
            Note = Note,
        };

    /// <summary>Whether an entry says the same of the tree.</summary>
    internal bool Says(ReworkedTreeEntry entry) => ToTree() == entry.Read();

    private static Amount? Typed(Amount amount) => amount.Value is null ? null : amount;
}
