using Microsoft.EntityFrameworkCore;
using Npgsql;
using NpgsqlTypes;
using Rama.Core.Estate;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Exchange;
using Rama.Data.History;

namespace Rama.Data.Count.Scan;

/// <summary>What a scan brought to one planting.</summary>
/// <param name="Id">The planting.</param>
/// <param name="Code">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="Trees">Trees matched.</param>
/// <param name="Rows">Rows they stand in.</param>
/// <param name="MeanTrunkMm">Mean trunk diameter, mm; null where none was told.</param>
/// <param name="MeanBuds">Mean buds as the scanner counts them; null where none were told.</param>
public sealed record ScannedPlantingView(
    Guid Id,
    string Code,
    string Name,
    int Trees,
    int Rows,
    double? MeanTrunkMm,
    double? MeanBuds
);

/// <summary>What became of a scan.</summary>
/// <param name="Lines">Lines of the file.</param>
/// <param name="Matched">Trees matched.</param>
/// <param name="ByReason">Lines left out, by reason.</param>
/// <param name="Problems">The first lines left out, each with its reason.</param>
/// <param name="Plantings">What each planting got.</param>
/// <param name="Usable">Whether it may be saved: not where most of it fits no tree.</param>
/// <param name="Saved">Whether it was saved.</param>
public sealed record ScanReport(
    int Lines,
    int Matched,
    IReadOnlyDictionary<string, int> ByReason,
    IReadOnlyList<LineProblem> Problems,
    IReadOnlyList<ScannedPlantingView> Plantings,
    bool Usable,
    bool Saved
);

/// <summary>
/// Takes in per-tree files of scanners and censuses: every line that fits a tree, with the others listed. A planting's
/// scan of a season is replaced as a whole; nothing is saved where a fifth of the lines or more fit no tree.
/// </summary>
public sealed class ScanImporter(RamaContext database, EstateScope scope, EstateStore estates, TimeProvider clock)
{
    /// <summary>Largest file, bytes.</summary>
    public const long MostBytes = 400L * 1024 * 1024;

    /// <summary>Most lines of a file.</summary>
    public const int MostLines = 5_000_000;

    private const int MostProblems = 500;
    private const int Stride = 50_000;
    private const double MostLeftOut = 0.2;
    private const int MostNumber = 9_999;

    /// <summary>Headers of a file, and which column is which as far as they tell.</summary>
    /// <exception cref="UnreadableFileException">Says what is wrong with the file as a whole.</exception>
    public static async Task<(IReadOnlyList<string> Headers, ScanMapping Guess)> ReadAsync(
        Stream stream,
        CancellationToken cancel
    )
    {
        using var source = await ScanSource.OpenAsync("scan", stream, cancel);
        return (source.Headers, ScanColumns.Guess(source.Headers, source.Samples));
    }

    /// <summary>Reads a file as its mapping says and tells what it would do, or does it.</summary>
    /// <param name="name">Name of the file.</param>
    /// <param name="stream">Its content; can be read from any place.</param>
    /// <param name="mapping">Which column is which; guessed when left out.</param>
    /// <param name="save">Whether to save.</param>
    /// <param name="progress">Is told now and then how many lines were taken.</param>
    /// <param name="cancel">Stops it; nothing is saved then.</param>
    /// <param name="season">Season it was scanned for; the one at hand when left out.</param>
    /// <exception cref="UnreadableFileException">Says what is wrong with the file as a whole.</exception>
    public async Task<ScanReport> RunAsync(
        string name,
        Stream stream,
        ScanMapping? mapping,
        bool save,
        Func<int, Task>? progress,
        CancellationToken cancel,
        int? season = null
    )
    {
        using var source = await ScanSource.OpenAsync(name, stream, cancel);
        mapping ??= ScanColumns.Guess(source.Headers, source.Samples);
        var (byNumber, byPosition) = Faults(mapping, source);
        var leaders = Enumerable
            .Range(1, ScanColumns.MostLeaders)
            .TakeWhile(i => mapping.Column($"leader{i}") >= 0)
            .Count();
        var plantings = await database.ReadPlantingsAsync(cancel);
        var lines = byPosition && !byNumber ? await database.RowLines.AsNoTracking().ToListAsync(cancel) : [];
        ScanGround ground = new(plantings, lines, leaders, byPosition && !byNumber);
        Taking taking = new(source, mapping, ground, leaders, byNumber);
        while (source.Next())
        {
            if (++taking.Lines % Stride == 0)
            {
                cancel.ThrowIfCancellationRequested();
                if (progress is not null)
                    await progress(taking.Lines);
            }
            if (taking.Lines > MostLines)
                throw new UnreadableFileException("size", $"The file has more than {MostLines:#,0} lines. Split it.");
            taking.TakeOver();
        }
        if (taking.Lines == 0)
            throw new UnreadableFileException("empty", "The table has headers and no lines.");
        var usable = taking.Matched > 0 && taking.LeftOut < MostLeftOut * taking.Lines;
        if (save && usable)
            await SaveAsync(
                name,
                ground,
                leaders,
                season ?? (await estates.ReadAsync(cancel)).Season,
                taking.Matched,
                cancel
            );
        return new(
            taking.Lines,
            taking.Matched,
            taking.ByReason,
            taking.Problems,
            [.. ground.Touched.Select(View).OrderBy(v => v.Code, StringComparer.Ordinal)],
            usable,
            save && usable
        );
    }

    private static (bool ByNumber, bool ByPosition) Faults(ScanMapping mapping, ScanSource source)
    {
        if (mapping.Columns.Values.Any(c => c < 0 || c >= source.Headers.Count))
            throw new UnreadableFileException("columns", "The file has no such column.");
        if (mapping.Decimal is not ("." or ","))
            throw new UnreadableFileException("decimal", "The decimal sign is a point or a comma.");
        if (!ScanColumns.TrunkUnits.Contains(mapping.TrunkUnit))
            throw new UnreadableFileException("unit", "Trunk diameters are in mm, cm or in.");
        var byNumber = mapping.Column("row") >= 0 && mapping.Column("tree") >= 0;
        var byPosition =
            (mapping.Column("longitude") >= 0 && mapping.Column("latitude") >= 0)
            || source.Headers.Contains(GeoJsonSheet.GeometryHeader);
        if (!byNumber && !byPosition)
            throw new UnreadableFileException(
                "columns",
                "Expected columns for row and tree, or for longitude and latitude."
            );
        if (
            mapping.Column("trunk") < 0
            && mapping.Column("buds") < 0
            && mapping.Column("limbs") < 0
            && mapping.Column("leader1") < 0
        )
            throw new UnreadableFileException("columns", "Expected a column of trunks, limbs, buds or leaders.");
        return (byNumber, byPosition);
    }

    // Row-level security admits no COPY into the table itself: it goes into one of this connection's own first.
    private async Task SaveAsync(
        string name,
        ScanGround ground,
        int leaders,
        int season,
        int trees,
        CancellationToken cancel
    )
    {
        await database.InTransactionAsync(
            async () =>
            {
                var connection = (NpgsqlConnection)database.Database.GetDbConnection();
                var touched = ground.Touched.ToList();
                await RunAsync(
                    connection,
                    """
                    create temp table scan_in (planting_id uuid, "row" int, first_tree int, trunks_mm real[], limbs real[], buds real[], leader_buds real[]) on commit drop
                    """,
                    cancel
                );
                await using (
                    var copy = await connection.BeginBinaryImportAsync(
                        "copy scan_in from stdin (format binary)",
                        cancel
                    )
                )
                {
                    foreach (var planting in touched)
                    foreach (var row in planting.Rows.Where(r => r.Seen.Contains(true)))
                    {
                        var size = Array.LastIndexOf(row.Seen, true) + 1;
                        await copy.StartRowAsync(cancel);
                        await copy.WriteAsync(planting.Planting.Id, NpgsqlDbType.Uuid, cancel);
                        await copy.WriteAsync(row.Row, NpgsqlDbType.Integer, cancel);
                        await copy.WriteAsync(row.First, NpgsqlDbType.Integer, cancel);
                        foreach (
                            var values in new[]
                            {
                                row.Trunks[..size],
                                row.Limbs[..size],
                                row.Buds[..size],
                                row.LeaderBuds[..(size * leaders)],
                            }
                        )
                            await copy.WriteAsync(values, NpgsqlDbType.Array | NpgsqlDbType.Real, cancel);
                    }
                    await copy.CompleteAsync(cancel);
                }
                await RunAsync(
                    connection,
                    $"""
                    delete from {ScanRowConfiguration.Table} where season = {season} and planting_id in (select distinct planting_id from scan_in);
                    insert into {ScanRowConfiguration.Table} (estate_id, planting_id, season, "row", first_tree, trunks_mm, limbs, buds, leaders, leader_buds)
                    select '{scope.EstateId}', planting_id, {season}, "row", first_tree, trunks_mm, limbs, buds, {leaders}, leader_buds from scan_in
                    """,
                    cancel
                );
                await SumUpAsync(touched, leaders, season, cancel);
                database.Add(
                    new BatchRecord
                    {
                        EstateId = scope.EstateId,
                        At = clock.GetUtcNow(),
                        PersonId = scope.Author?.PersonId,
                        Person = scope.Author?.Name,
                        Table = "scans",
                        File = name[..Math.Min(name.Length, 200)],
                        Added = trees,
                    }
                );
                await database.SaveChangesAsync(cancel);
            },
            cancel
        );
        database.ChangeTracker.Clear();
    }

    private async Task SumUpAsync(
        IReadOnlyList<ScannedPlanting> touched,
        int leaders,
        int season,
        CancellationToken cancel
    )
    {
        var ids = touched.Select(p => p.Planting.Id).ToList();
        var plans = (await database.ReadPlansAsync(cancel, season, ids)).ToDictionary(p => p.PlantingId);
        var trunks = (
            await database.TrunkRows.AsNoTracking().Where(t => ids.Contains(t.PlantingId)).ToListAsync(cancel)
        ).ToLookup(t => t.PlantingId);
        foreach (var planting in touched)
        {
            if (!plans.TryGetValue(planting.Planting.Id, out var plan))
                database.Add(
                    plan = new()
                    {
                        EstateId = scope.EstateId,
                        PlantingId = planting.Planting.Id,
                        Season = season,
                    }
                );
            plan.TakeOver(
                MeasuredSum.Of(
                    plan,
                    [.. trunks[plan.PlantingId]],
                    [.. planting.Rows.Select(r => r.ToRecord(scope.EstateId, plan.PlantingId, season, leaders))]
                )
            );
        }
    }

    private static async Task RunAsync(NpgsqlConnection connection, string sql, CancellationToken cancel)
    {
        await using var command = connection.CreateCommand();
        command.CommandText = sql;
        await command.ExecuteNonQueryAsync(cancel);
    }

    private static ScannedPlantingView View(ScannedPlanting planting)
    {
        static double? Mean(IEnumerable<float> values) =>
            values.Where(v => !float.IsNaN(v)).Select(v => (double?)v).Average();
        return new(
            planting.Planting.Id,
            planting.Planting.Code,
            planting.Planting.Name,
            planting.Trees,
            planting.Rows.Count(r => r.Seen.Contains(true)),
            Mean(planting.Rows.SelectMany(r => r.Trunks)),
            Mean(planting.Rows.SelectMany(r => r.Buds))
        );
    }

    /// <summary>Takes lines one by one; kept apart so that the loop holds no awaits.</summary>
    private sealed class Taking(ScanSource source, ScanMapping mapping, ScanGround ground, int leaders, bool byNumber)
    {
        private readonly int _code = mapping.Column("code"),
            _row = mapping.Column("row"),
            _tree = mapping.Column("tree");
        private readonly int _longitude = mapping.Column("longitude"),
            _latitude = mapping.Column("latitude");
        private readonly int _trunk = mapping.Column("trunk"),
            _limbs = mapping.Column("limbs"),
            _buds = mapping.Column("buds"),
            _leader = mapping.Column("leader1");
        private readonly bool _comma = mapping.Decimal == ",";
        private readonly double _toMm = mapping.TrunkUnit switch
        {
            "cm" => 10,
            "in" => 25.4,
            _ => 1,
        };
        private readonly float[] _leaderBuds = new float[leaders];
        private readonly Dictionary<string, int> _byReason = [];
        private readonly List<LineProblem> _problems = [];

        public int Lines { get; set; }

        public int Matched { get; private set; }

        public int LeftOut { get; private set; }

        public IReadOnlyDictionary<string, int> ByReason => _byReason;

        public IReadOnlyList<LineProblem> Problems => _problems;

        public void TakeOver()
        {
            ScannedPlanting planting;
            int row,
                tree;
            if (byNumber)
            {
                if ((_code < 0 ? ground.Only : ground.Find(source.Text(_code))) is not { } named)
                {
                    LeaveOut("code", "planting", "There is no planting of this code.", _code);
                    return;
                }
                planting = named;
                if (!Whole(_row, "row", out row) || !Whole(_tree, "tree", out tree))
                    return;
            }
            else
            {
                if (Position() is not { } position)
                    return;
                if (ground.At(position) is not var (found, atRow, atTree))
                {
                    LeaveOut("position", "off-row", "The position lies off every row.", _longitude);
                    return;
                }
                (planting, row, tree) = (found, atRow, atTree);
            }
            if (
                !Value(_trunk, "trunk", 2 / _toMm, 900 / _toMm, out var trunk)
                || !Value(_limbs, "limbs", 0, 300, out var limbs)
                || !Value(_buds, "buds", 0, 40_000, out var buds)
            )
                return;
            for (var i = 0; i < leaders; i++)
                if (!Value(mapping.Columns[$"leader{i + 1}"], $"leader{i + 1}", 0, 20_000, out _leaderBuds[i]))
                    return;

            var into = planting.Row(row);
            var place = into?.Place(tree) ?? -1;
            if (into is null || place < 0)
            {
                LeaveOut("tree", "no-tree", $"The planting has no tree {tree} in row {row}.", _tree);
                return;
            }
            if (planting.IsMissing(row, tree))
            {
                LeaveOut("tree", "missing-tree", $"Tree {tree} of row {row} is missing by the row list.", _tree);
                return;
            }
            if (into.Seen[place])
            {
                LeaveOut(
                    "tree",
                    "duplicate",
                    $"Tree {tree} of row {row} is in the file already; the first stays.",
                    _tree
                );
                return;
            }
            into.Seen[place] = true;
            into.Trunks[place] = (float)(trunk * _toMm);
            into.Limbs[place] = limbs;
            into.Buds[place] = buds;
            _leaderBuds.CopyTo(into.LeaderBuds, place * leaders);
            planting.Trees++;
            Matched++;
        }

        private GeoPoint? Position()
        {
            if (source.Position is var (longitude, latitude))
                return new(longitude, latitude);
            if (
                _longitude >= 0
                && source.Number(_longitude, _comma, out var lon)
                && source.Number(_latitude, _comma, out var lat)
                && Math.Abs(lon) <= 180
                && Math.Abs(lat) <= 90
            )
                return new(lon, lat);
            LeaveOut("position", "text", "Expected longitude and latitude in degrees.", _longitude);
            return null;
        }

        private bool Whole(int column, string field, out int value)
        {
            if (
                source.Number(column, _comma, out var number)
                && number >= 1
                && number <= MostNumber
                && number == Math.Floor(number)
            )
            {
                value = (int)number;
                return true;
            }
            LeaveOut(field, "text", "Expected a whole number from 1.", column);
            value = 0;
            return false;
        }

        private bool Value(int column, string field, double least, double most, out float value)
        {
            value = float.NaN;
            if (column < 0)
                return true;
            if (
                source.Number(column, _comma, out var number)
                && (double.IsNaN(number) || (number >= least && number <= most))
            )
            {
                value = (float)number;
                return true;
            }
            LeaveOut(field, "range", $"Expected a number from {least:0.##} to {most:0.##}.", column);
            return false;
        }

        private void LeaveOut(string field, string reason, string message, int column)
        {
            LeftOut++;
            _byReason[reason] = _byReason.GetValueOrDefault(reason) + 1;
            if (_problems.Count < MostProblems)
                _problems.Add(
                    new(source.Line, field, reason, message, column < 0 ? null : source.Text(column).ToString())
                );
        }
    }
}
