using Rama.Core.Count.Scan;
using Rama.Core.Estate;
using Rama.Core.Quantities;
using Rama.Data.Estate;

namespace Rama.Data.Count.Scan;

/// <summary>What a scan saw in one row, while it is taken in.</summary>
internal sealed class ScannedRow(int row, int first, int size, int leaders, bool grows)
{
    public int Row { get; } = row;

    public int First { get; } = first;

    public float[] Trunks { get; private set; } = Blank(size);

    public float[] Limbs { get; private set; } = Blank(size);

    public float[] Buds { get; private set; } = Blank(size);

    public float[] LeaderBuds { get; private set; } = Blank(size * leaders);

    /// <summary>Which trees were seen.</summary>
    public bool[] Seen { get; private set; } = new bool[size];

    /// <summary>The place of a tree in the arrays; -1 where the row has none such.</summary>
    public int Place(int tree)
    {
        var place = tree - First;
        if (place < 0)
            return -1;
        if (place < Seen.Length)
            return place;
        if (!grows)
            return -1;
        Grow(Math.Max(place + 1, Seen.Length * 2));
        return place;
    }

    /// <summary>The row as it is kept.</summary>
    public ScanRowRecord ToRecord(Guid estate, Guid planting, int season, int leaders) =>
        new()
        {
            EstateId = estate,
            PlantingId = planting,
            Season = season,
            Row = Row,
            FirstTree = First,
            TrunksMm = Trunks,
            Limbs = Limbs,
            Buds = Buds,
            Leaders = leaders,
            LeaderBuds = LeaderBuds,
        };

    private void Grow(int size)
    {
        (Trunks, Limbs, Buds, LeaderBuds) = (
            Grown(Trunks, size),
            Grown(Limbs, size),
            Grown(Buds, size),
            Grown(LeaderBuds, size * leaders)
        );
        var seen = new bool[size];
        Seen.CopyTo(seen, 0);
        Seen = seen;
    }

    private static float[] Blank(int size)
    {
        var blank = new float[size];
        Array.Fill(blank, float.NaN);
        return blank;
    }

    private static float[] Grown(float[] old, int size)
    {
        var grown = Blank(size);
        old.CopyTo(grown, 0);
        return grown;
    }
}

/// <summary>A planting with its rows, while a scan is taken in.</summary>
internal sealed class ScannedPlanting(PlantingRecord planting, RowList? list, int leaders)
{
    private readonly Dictionary<int, List<TreeRow>>? _listed = list
        ?.Rows.GroupBy(r => r.Number)
        .ToDictionary(g => g.Key, g => g.ToList());
    private readonly Dictionary<int, ScannedRow> _rows = [];
    private readonly Dictionary<int, HashSet<int>> _missing = list?.Rows.GroupBy(r => r.Number)
        .ToDictionary(g => g.Key, g => g.SelectMany(r => r.Missing).ToHashSet())
        ?? [];
    private ScannedRow? _last;

    public PlantingRecord Planting => planting;

    public IReadOnlyCollection<ScannedRow> Rows => _rows.Values;

    public int Trees { get; set; }

    /// <summary>The row of a number; null where the planting has none such.</summary>
    public ScannedRow? Row(int number)
    {
        if (_last?.Row == number || _rows.TryGetValue(number, out _last))
            return _last;
        if (_listed is null)
            _last = new(number, 1, 128, leaders, grows: true);
        else if (_listed.TryGetValue(number, out var parts))
            _last = new(
                number,
                parts.Min(p => p.FirstTree),
                parts.Max(p => p.LastTree) - parts.Min(p => p.FirstTree) + 1,
                leaders,
                grows: false
            );
        else
            return _last = null;
        _rows.Add(number, _last);
        return _last;
    }

    /// <summary>Whether the row list says that nothing stands at a place.</summary>
    public bool IsMissing(int row, int tree) => _missing.TryGetValue(row, out var missing) && missing.Contains(tree);
}

/// <summary>The plantings of the estate by code and by position.</summary>
internal sealed class ScanGround
{
    private readonly Dictionary<string, ScannedPlanting> _byCode;
    private readonly Dictionary<string, ScannedPlanting>.AlternateLookup<ReadOnlySpan<char>> _bySpan;
    private ScannedPlanting? _last;
    private readonly List<(
        RowAxes Axes,
        Dictionary<int, List<(ScannedPlanting Planting, TreeRow Row)>> Rows
    )> _blocks = [];

    public ScanGround(
        IReadOnlyList<PlantingRecord> plantings,
        IEnumerable<RowLineRecord> lines,
        int leaders,
        bool byPosition
    )
    {
        var lists = plantings.ToDictionary(p => p.Id, p => p.Rows.Count == 0 ? null : p.ToRows().Read());
        _byCode = plantings.ToDictionary(
            p => p.Code,
            p => new ScannedPlanting(p, lists[p.Id], leaders),
            StringComparer.OrdinalIgnoreCase
        );
        _bySpan = _byCode.GetAlternateLookup<ReadOnlySpan<char>>();
        if (!byPosition)
            return;
        var byBlock = plantings.ToLookup(p => p.BlockId);
        foreach (var block in lines.GroupBy(l => l.BlockId))
        {
            var rows = byBlock[block.Key]
                .Where(p => lists[p.Id] is not null)
                .SelectMany(p => lists[p.Id]!.Rows, (p, row) => (Planting: _byCode[p.Code], Row: row))
                .GroupBy(r => r.Row.Number)
                .ToDictionary(g => g.Key, g => g.ToList());
            List<RowAxis> axes = [];
            foreach (var line in block.Where(l => rows.ContainsKey(l.Row)))
            {
                // Plantings that share a row share its line: it runs from the first place of all to the last.
                var (first, last) = (rows[line.Row].Min(r => r.Row.FirstTree), rows[line.Row].Max(r => r.Row.LastTree));
                axes.Add(
                    new(
                        new(line.Row, first, last - first + 1, [], [], [], []),
                        [.. line.Coordinates.Chunk(2).Select(c => new GeoPoint(c[0], c[1]))]
                    )
                );
            }
            if (axes.Count == 0)
                continue;
            var spacing = byBlock[block.Key]
                .Max(p => Units.Length[p.RowSpacing.Unit!].ToBase(p.RowSpacing.Value!.Value));
            _blocks.Add((new(axes, spacing), rows));
        }
    }

    public IEnumerable<ScannedPlanting> Touched => _byCode.Values.Where(p => p.Trees > 0);

    /// <summary>The planting of a code; null where there is none.</summary>
    public ScannedPlanting? Find(ReadOnlySpan<char> code)
    {
        // Lines of one planting follow one another.
        if (_last is not null && code.SequenceEqual(_last.Planting.Code))
            return _last;
        return _bySpan.TryGetValue(code, out var planting) ? _last = planting : null;
    }

    /// <summary>The only planting there is, for files that name none.</summary>
    public ScannedPlanting? Only => _byCode.Count == 1 ? _byCode.Values.First() : null;

    /// <summary>The tree at a position; null where it falls on no row.</summary>
    public (ScannedPlanting Planting, int Row, int Tree)? At(GeoPoint position)
    {
        foreach (var (axes, rows) in _blocks)
            if (
                axes.Find(position) is { } place
                && rows[place.Row].FirstOrDefault(r => place.Tree >= r.Row.FirstTree && place.Tree <= r.Row.LastTree)
                    is { Planting: not null } found
            )
                return (found.Planting, place.Row, place.Tree);
        return null;
    }
}
