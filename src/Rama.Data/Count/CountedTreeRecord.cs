using Rama.Core.Count;
using Rama.Core.Quantities;
using Rama.Data.Database;
using Rama.Data.History;
using Rama.Data.Plan;

namespace Rama.Data.Count;

/// <summary>One counted tree as entered.</summary>
public sealed class CountedTreeRecord : IHistoried
{
    private CountedTreeRecord() { }

    internal static CountedTreeRecord Of(SeasonPlanRecord plan, int line, CountedTreeEntry entry)
    {
        var record = new CountedTreeRecord
        {
            EstateId = plan.EstateId,
            PlantingId = plan.PlantingId,
            Season = plan.Season,
            Row = (int)entry.Row!.Value,
            Tree = (int)entry.Tree!.Value,
        };
        record.TakeOver(line, entry);
        return record;
    }

    internal void TakeOver(int line, CountedTreeEntry entry)
    {
        Line = line;
        var before = ToEntry();
        (Girth, Limbs, FloralBuds, Buds) = (
            entry.Girth ?? new(),
            (int?)entry.Limbs,
            (int?)entry.FloralBuds,
            (int?)entry.Buds
        );
        Details = DetailsOf(entry);
        // What was typed over is no longer what the field said; a correction from there has to be looked at.
        if (!Says(before))
            FieldEntryId = null;
    }

    /// <summary>Takes over what came from the field.</summary>
    internal void TakeOver(CountedTreeEntry entry, Guid fieldEntry)
    {
        TakeOver(Line, entry);
        FieldEntryId = fieldEntry;
    }

    /// <summary>Whether an entry says the same of the tree.</summary>
    internal bool Says(CountedTreeEntry entry)
    {
        var own = ToEntry();
        return (own.Girth ?? new(), own.Limbs, own.FloralBuds, own.Buds, Details)
            == (entry.Girth ?? new(), entry.Limbs, entry.FloralBuds, entry.Buds, DetailsOf(entry));
    }

    /// <inheritdoc />
    public Guid EstateId { get; private set; }

    /// <summary>Planting it belongs to.</summary>
    public Guid PlantingId { get; private set; }

    /// <summary>Season it belongs to, named for the year of its harvest.</summary>
    public int Season { get; private set; }

    /// <summary>Place in the counting sheet, from 0.</summary>
    public int Line { get; private set; }

    /// <summary>Number of the row, from 1.</summary>
    public int Row { get; private set; }

    /// <summary>Number of the tree in its row, from 1.</summary>
    public int Tree { get; private set; }

    /// <inheritdoc cref="CountedTreeEntry.Girth" />
    public Amount Girth { get; private set; } = new();

    /// <inheritdoc cref="CountedTreeEntry.Limbs" />
    public int? Limbs { get; private set; }

    /// <inheritdoc cref="CountedTreeEntry.FloralBuds" />
    public int? FloralBuds { get; private set; }

    /// <inheritdoc cref="CountedTreeEntry.Buds" />
    public int? Buds { get; private set; }

    /// <summary>Buds by kind, limbs and note as JSON; null where none were told.</summary>
    public string? Details { get; private set; }

    /// <summary>The field entry it says; null where it was typed or imported.</summary>
    public Guid? FieldEntryId { get; private set; }

    HistoryPlace IHistoried.Place => new("countedTree", PlantingId, Season, $"{Row}/{Tree}");

    /// <summary>The tree as it was typed.</summary>
    public CountedTreeEntry ToEntry() => With(Details);

    /// <summary>The tree as it was typed, with details from elsewhere.</summary>
    internal CountedTreeEntry With(string? details) =>
        (StoredJson.ReadPart<CountedTreeEntry>(details) ?? new()) with
        {
            Row = Row,
            Tree = Tree,
            Girth = Girth,
            Limbs = Limbs,
            FloralBuds = FloralBuds,
            Buds = Buds,
        };

    // What has no column of its own is kept as an entry that says nothing else.
    private static string? DetailsOf(CountedTreeEntry entry) =>
        StoredJson.WritePart(
            new CountedTreeEntry
            {
                Kinds = entry.Kinds,
                LimbSizes = entry.LimbSizes,
                Note = entry.Note,
            }
        );
}
