using Rama.Core.Count;
using Rama.Core.Quantities;

namespace Rama.Data.Season;

/// <summary>One counted tree as entered.</summary>
public sealed class CountedTreeRecord
{
    private CountedTreeRecord()
    {
    }

    public CountedTreeRecord(int line, CountedTreeEntry entry)
    {
        Line = line;
        (Row, Tree) = ((int)entry.Row!.Value, (int)entry.Tree!.Value);
        (Girth, Limbs, FloralBuds, Buds) = (entry.Girth ?? new(), (int?)entry.Limbs, (int?)entry.FloralBuds, (int?)entry.Buds);
    }

    public Guid EstateId { get; private set; }

    public Guid PlantingId { get; private set; }

    public int Season { get; private set; }

    /// <summary>Place in the counting sheet, from 0.</summary>
    public int Line { get; private set; }

    public int Row { get; private set; }

    public int Tree { get; private set; }

    public Amount Girth { get; private set; } = new();

    public int? Limbs { get; private set; }

    public int? FloralBuds { get; private set; }

    public int? Buds { get; private set; }

    public CountedTreeEntry ToEntry() => new()
    {
        Row = Row, Tree = Tree, Girth = Girth, Limbs = Limbs, FloralBuds = FloralBuds, Buds = Buds,
    };
}
