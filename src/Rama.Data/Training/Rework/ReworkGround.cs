using Microsoft.EntityFrameworkCore;
using Rama.Core.Estate;
using Rama.Core.Training.Rework;
using Rama.Data.Database;
using Rama.Data.Estate;

namespace Rama.Data.Training.Rework;

/// <summary>The reworked trees of one planting, to be read and changed: by the office, a file or the row.</summary>
public sealed class ReworkGround
{
    /// <summary>Most trees kept of a planting, and of an estate: all of them are told with every year.</summary>
    public const int MostTrees = 5_000,
        MostOfEstate = 20_000;

    /// <summary>What is said beyond that.</summary>
    public static readonly string Full =
        $"Trees: expected at most {MostTrees} in rework of a planting, and {MostOfEstate} of the estate.";

    private readonly RamaContext _database;
    private readonly PlantingRecord _planting;
    private readonly Dictionary<(int, int), ReworkedTreeRecord> _trees;
    private readonly int _elsewhere;

    private ReworkGround(
        RamaContext database,
        PlantingRecord planting,
        ReworkTerms terms,
        IEnumerable<ReworkedTreeRecord> trees,
        int elsewhere
    ) =>
        (_database, _planting, Terms, _trees, _elsewhere) = (
            database,
            planting,
            terms,
            trees.ToDictionary(t => (t.Row, t.Tree)),
            elsewhere
        );

    /// <summary>What an entry is read against.</summary>
    public ReworkTerms Terms { get; }

    /// <summary>Whether no more are kept than are told.</summary>
    public bool Holds => _trees.Count <= MostTrees && _trees.Count + _elsewhere <= MostOfEstate;

    /// <summary>Whether one more can be kept.</summary>
    public bool HasRoom => _trees.Count < MostTrees && _trees.Count + _elsewhere < MostOfEstate;

    /// <summary>Reads those of a planting; its rows must be loaded.</summary>
    public static async Task<ReworkGround> OfAsync(
        RamaContext database,
        PlantingRecord planting,
        EstateRecord estate,
        TimeProvider clock,
        CancellationToken cancel
    ) =>
        new(
            database,
            planting,
            TermsOf(planting, estate, clock),
            await database.ReworkedTrees.Where(t => t.PlantingId == planting.Id).ToListAsync(cancel),
            await database.ReworkedTrees.CountAsync(t => t.PlantingId != planting.Id, cancel)
        );

    /// <summary>What entries of a planting are read against; its rows must be loaded.</summary>
    public static ReworkTerms TermsOf(PlantingRecord planting, EstateRecord estate, TimeProvider clock) =>
        new(planting.YearPlanted, estate.Season, estate.TodayBy(clock), planting.PlaceOf);

    /// <summary>The tree of a place, or null.</summary>
    public ReworkedTreeRecord? Find(int row, int tree) => _trees.GetValueOrDefault((row, tree));

    /// <summary>Puts what is told of a tree in the place of what was.</summary>
    /// <param name="entry">What is told, already read.</param>
    /// <param name="fieldEntry">The field entry it came with; null from elsewhere.</param>
    public void Put(ReworkedTreeEntry entry, Guid? fieldEntry = null)
    {
        var place = ((int)entry.Row!.Value, (int)entry.Tree!.Value);
        if (!_trees.TryGetValue(place, out var record))
        {
            _trees[place] = record = new()
            {
                EstateId = _planting.EstateId,
                PlantingId = _planting.Id,
                Row = place.Item1,
                Tree = place.Item2,
            };
            _database.Add(record);
        }
        record.TakeOver(entry, fieldEntry);
    }

    /// <summary>Takes a tree off.</summary>
    public void Remove(ReworkedTreeRecord record)
    {
        _trees.Remove((record.Row, record.Tree));
        _database.Remove(record);
    }

    /// <summary>Trees in rework that a row list is to have as to be grubbed.</summary>
    /// <param name="database">The estate's records.</param>
    /// <param name="planting">The planting.</param>
    /// <param name="rows">Its rows as they are to be.</param>
    /// <param name="cancel">Stops it.</param>
    public static async Task<IReadOnlyList<(TreeRow Row, int Tree)>> ToGrubAsync(
        RamaContext database,
        Guid planting,
        IReadOnlyList<TreeRow> rows,
        CancellationToken cancel
    )
    {
        if (rows.All(r => r.ToGrub.Count == 0))
            return [];
        var trees = await database
            .ReworkedTrees.AsNoTracking()
            .Where(t => t.PlantingId == planting && t.Finished != true)
            .Select(t => new { t.Row, t.Tree })
            .ToListAsync(cancel);
        return
        [
            .. from row in rows
            from tree in trees
            where tree.Row == row.Number && row.ToGrub.Contains(tree.Tree)
            select (row, tree.Tree),
        ];
    }

    /// <summary>What is wrong with such a tree, in words.</summary>
    public static string ToGrubToo(int row, int tree) =>
        $"To be grubbed: row {row}, tree {tree} is being reworked. Take it off there first.";
}
