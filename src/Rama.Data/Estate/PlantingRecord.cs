using Rama.Core.Estate;
using Rama.Core.Quantities;
using Rama.Core.Result;
using Rama.Core.Result.Learning;
using Rama.Core.Target.Size;
using Rama.Core.Training.Rework;
using Rama.Data.Database;
using Rama.Data.History;
using Rama.Data.Result;

namespace Rama.Data.Estate;

/// <summary>A planting as entered: amounts keep the number and the unit that were typed.</summary>
public sealed class PlantingRecord : IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Key within the estate.</summary>
    public Guid Id { get; init; } = Guid.CreateVersion7();

    /// <summary>Block it stands on.</summary>
    public Guid BlockId { get; private set; }

    /// <summary>The same, where it was read with it.</summary>
    public BlockRecord? Block { get; private set; }

    /// <inheritdoc cref="PlantingEntry.Code" />
    public string Code { get; private set; } = "";

    /// <inheritdoc cref="PlantingEntry.Name" />
    public string Name { get; private set; } = "";

    /// <inheritdoc cref="PlantingEntry.Variety" />
    public string Variety { get; private set; } = "";

    /// <inheritdoc cref="PlantingEntry.Rootstock" />
    public string Rootstock { get; private set; } = "";

    /// <inheritdoc cref="PlantingEntry.System" />
    public string System { get; private set; } = "";

    /// <inheritdoc cref="PlantingEntry.YearPlanted" />
    public int YearPlanted { get; private set; }

    /// <inheritdoc cref="DensityEntry.RowSpacing" />
    public Amount RowSpacing { get; private set; } = new();

    /// <inheritdoc cref="DensityEntry.TreeSpacing" />
    public Amount TreeSpacing { get; private set; } = new();

    /// <inheritdoc cref="DensityEntry.Area" />
    public Amount Area { get; private set; } = new();

    /// <inheritdoc cref="DensityEntry.MissingShare" />
    public Amount MissingShare { get; private set; } = new();

    /// <inheritdoc cref="DensityEntry.PollinizerShare" />
    public Amount PollinizerShare { get; private set; } = new();

    /// <summary>Its rows, where they are told.</summary>
    public List<PlantingRowRecord> Rows { get; private set; } = [];

    /// <summary>What its past seasons brought.</summary>
    public List<SeasonResultRecord> Results { get; private set; } = [];

    /// <summary>Fruit that were measured and weighed, as JSON as typed; null for none.</summary>
    public string? FruitSample { get; private set; }

    /// <summary>Learned numbers a person set aside, as JSON as typed; null for none.</summary>
    public string? Learning { get; private set; }

    /// <summary>What the estate keeps of it in columns of its own, as JSON; null for nothing.</summary>
    public string? Free { get; private set; }

    /// <summary>
    /// Last change to the planting or its rows; touching it makes the row version see a change to a child.
    /// </summary>
    [NotInHistory]
    public DateTimeOffset ChangedAt { get; private set; } = DateTimeOffset.UtcNow;

    /// <summary>PostgreSQL's row version.</summary>
    public uint Version { get; private set; }

    HistoryPlace IHistoried.Place => new("planting", Id, Detail: Code);

    /// <summary>Takes over an entry the core has read without a problem.</summary>
    public void TakeOver(PlantingEntry entry)
    {
        (Code, Name) = (entry.Code!.Trim(), entry.Name!.Trim());
        (Variety, Rootstock, System) = (entry.Variety!, entry.Rootstock!, entry.System!);
        YearPlanted = (int)entry.YearPlanted!.Value;
        (RowSpacing, TreeSpacing, Area) = (entry.RowSpacing!, entry.TreeSpacing!, entry.Area!);
        (MissingShare, PollinizerShare) = (entry.MissingShare ?? new(), entry.PollinizerShare ?? new());
        Free = FreeColumns.Written(entry.Free);
        Touch();
    }

    /// <summary>Takes over rows the core has read without a problem.</summary>
    public void TakeOver(RowList? list)
    {
        Rows.Merge(
            list?.Rows ?? [],
            r => (r.Row, r.FirstTree),
            r => (r.Number, r.FirstTree),
            r => PlantingRowRecord.Of(this, r),
            (record, row) => record.TakeOver(row)
        );
        Touch();
    }

    /// <summary>Takes over weighed fruit the core has read without a problem.</summary>
    public void TakeOver(FruitSampleEntry entry)
    {
        FruitSample = entry.Fruit.Count == 0 ? null : StoredJson.Write(entry.Fruit);
        Touch();
    }

    /// <summary>Takes over choices the core has read without a problem.</summary>
    public void TakeOver(LearnedChoicesEntry entry)
    {
        Learning = entry.Choices.Count == 0 ? null : StoredJson.Write(entry.Choices.OrderBy(c => c.Quantity).ToList());
        Touch();
    }

    /// <summary>Takes over past seasons the core has read without a problem.</summary>
    public void TakeOver(SeasonRecordsEntry entry)
    {
        Results.Merge(
            entry.Seasons,
            r => r.Season,
            e => (int)e.Season!.Value,
            e => SeasonResultRecord.Of(this, e),
            (record, e) => record.TakeOver(e)
        );
        Touch();
    }

    /// <summary>The planting as entered; its block and site must be loaded.</summary>
    public PlantingEntry ToEntry() =>
        new()
        {
            Site = Block!.Site!.Name,
            Block = Block.Code,
            Code = Code,
            Name = Name,
            Variety = Variety,
            Rootstock = Rootstock,
            System = System,
            YearPlanted = YearPlanted,
            RowSpacing = RowSpacing,
            TreeSpacing = TreeSpacing,
            Area = Area,
            MissingShare = MissingShare,
            PollinizerShare = PollinizerShare,
            Free = FreeColumns.Read(Free),
        };

    /// <summary>The rows as entered.</summary>
    public RowListEntry ToRows() =>
        new() { Rows = [.. Rows.OrderBy(r => r.Row).ThenBy(r => r.FirstTree).Select(r => r.ToEntry())] };

    /// <summary>Weighed fruit as entered.</summary>
    public FruitSampleEntry ToFruitSample() =>
        FruitSample is null ? new() : new() { Fruit = StoredJson.Read<List<WeighedFruitEntry>>(FruitSample) };

    /// <summary>Learned numbers set aside, as entered.</summary>
    public LearnedChoicesEntry ToLearning() =>
        Learning is null ? new() : new() { Choices = StoredJson.Read<List<LearnedChoiceEntry>>(Learning) };

    /// <summary>Past seasons as entered.</summary>
    public SeasonRecordsEntry ToRecords() =>
        new() { Seasons = [.. Results.OrderBy(r => r.Season).Select(r => r.ToEntry())] };

    /// <summary>Area stated, hectares.</summary>
    public double AreaHa() => Units.Area[Area.Unit!].ToBase(Area.Value!.Value);

    /// <summary>
    /// Metres that the trees of a row take at their spacing; 0 where the row is not listed. The rows must be loaded.
    /// </summary>
    public double RowLengthM(int row) =>
        Rows.Where(r => r.Row == row).Sum(r => r.Trees)
        * Units.Length[TreeSpacing.Unit!].ToBase(TreeSpacing.Value!.Value);

    /// <summary>How a place stands in the row list; the rows must be loaded.</summary>
    public TreePlace PlaceOf(int row, int tree)
    {
        if (Rows.Count == 0)
            return TreePlace.NotListed;
        var at = Rows.Find(r => r.Row == row && tree >= r.FirstTree && tree < r.FirstTree + r.Trees);
        return at is null ? TreePlace.None
            : at.Missing.Contains(tree) ? TreePlace.Empty
            : at.ToGrub.Contains(tree) ? TreePlace.ToGrub
            : TreePlace.Tree;
    }

    internal void StandOn(BlockRecord block) => (BlockId, Block) = (block.Id, block);

    private void Touch() => ChangedAt = DateTimeOffset.UtcNow;
}
