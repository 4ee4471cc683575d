using Microsoft.EntityFrameworkCore;
using Rama.Core.Training.Rework;
using Rama.Data.Estate;
using Rama.Data.Training.Rework;

namespace Rama.Data.Exchange.Tables;

/// <summary>Trees grafted over, or to be; one line a tree.</summary>
internal sealed class ReworkTable : ExchangeTable
{
    private static readonly string[] Girths = ["cm", "mm", "in"],
        Heights = ["cm", "m", "in", "ft"];

    public override string Name => "rework";

    public override IReadOnlyList<ExchangeColumn> Columns { get; } =
    [
        PlantingBook.Column,
        ExchangeColumn.Number("row", true, "Row", "Fila"),
        ExchangeColumn.Number("tree", true, "Tree", "Árbol"),
        ExchangeColumn.Text("variety", false, "Variety grafted", "Variedad injertada"),
        ExchangeColumn.Text("graft", false, "Graft", "Injerto"),
        ExchangeColumn.Date("graftedOn", "Grafted on", "Injertado el"),
        new("girth", ColumnKind.Amount, ["Girth when grafted", "Perímetro al injertar"], Girths),
        new("height", ColumnKind.Amount, ["Height of the graft", "Altura del injerto"], Heights),
        ExchangeColumn.Text("union", false, "Union", "Unión"),
        ExchangeColumn.Text("support", false, "Tape or lath on", "Cinta o vara puesta"),
        ExchangeColumn.Text("guard", false, "Guard", "Protector"),
        ExchangeColumn.Number("trueToName", false, "True to name since", "Variedad confirmada"),
        ExchangeColumn.Number("doneSeason", false, "Done in season", "Hecho en la temporada"),
        ExchangeColumn.Text("finished", false, "Finished", "Terminado"),
        ExchangeColumn.Text("note", false, "Note of the tree", "Nota del árbol"),
    ];

    internal override async Task<ITaking> BeginAsync(ImportTarget target, CancellationToken cancel) =>
        new Taking(
            target,
            await PlantingBook.LoadAsync(target.Database, cancel),
            await target.Database.ReworkedTrees.ToDictionaryAsync(t => (t.PlantingId, t.Row, t.Tree), cancel)
        );

    internal override async Task<IEnumerable<IReadOnlyList<object?>>> WriteAsync(
        ExportSource source,
        CancellationToken cancel
    )
    {
        var trees = (await source.Database.ReworkedTrees.AsNoTracking().ToListAsync(cancel)).ToLookup(t =>
            t.PlantingId
        );
        return (await source.PlantingsAsync(cancel)).SelectMany(
            p => trees[p.Id].OrderBy(t => t.Row).ThenBy(t => t.Tree).Select(t => t.ToEntry()),
            (p, t) =>
                ExportSource.Line(
                    p.Code,
                    t.Row,
                    t.Tree,
                    t.Variety,
                    t.Graft,
                    t.GraftedOn,
                    t.Girth,
                    t.Height,
                    t.Union,
                    Said(t.Support),
                    Said(t.Guard),
                    t.TrueToName,
                    t.DoneSeason,
                    Said(t.Finished),
                    t.Note
                )
        );
    }

    // Nothing said is not no: tape and lath are as fresh as the graft.
    private static string? Said(bool? value) => value is { } said ? YesNo.Write(said) ?? "no" : null;

    private static bool? Saying(LineReader line, string field) =>
        line.Text(field) is null ? null : YesNo.Read(line, field);

    private sealed class Taking(
        ImportTarget target,
        PlantingBook book,
        Dictionary<(Guid, int, int), ReworkedTreeRecord> known
    ) : ITaking
    {
        private readonly Dictionary<(Guid, double?, double?), int> _lines = [];
        private int _added;
        private readonly Dictionary<Guid, int> _trees = known.Keys.CountBy(k => k.Item1).ToDictionary();

        public void ReadLine(LineReader line)
        {
            if (book.Of(line) is not { } planting)
                return;
            var (row, tree) = (line.Number("row"), line.Number("tree"));
            if (row is not null && tree is not null && !_lines.TryAdd((planting.Id, row, tree), line.LineNumber))
            {
                target.Add(
                    line.LineNumber,
                    "tree",
                    "duplicate",
                    $"Tree: line {_lines[(planting.Id, row, tree)]} has this tree already."
                );
                return;
            }
            var record = known.GetValueOrDefault((planting.Id, (int)(row ?? 0), (int)(tree ?? 0)));
            var entry = EntryOf(line, record?.ToEntry() ?? new()) with { Row = row, Tree = tree };
            if (line.Problems.Problems.Count > 0 || !target.Read(line.LineNumber, () => entry.Read(TermsOf(planting))))
                return;
            target.Was(
                record?.Says(entry) == true ? LineOutcome.Same
                : record is null ? LineOutcome.Added
                : LineOutcome.Changed
            );
            if (record is null)
            {
                _trees[planting.Id] = _trees.GetValueOrDefault(planting.Id) + 1;
                if (_trees[planting.Id] > ReworkGround.MostTrees || ++_added + known.Count > ReworkGround.MostOfEstate)
                {
                    target.Add(line.LineNumber, "tree", "range", ReworkGround.Full);
                    return;
                }
                target.Database.Add(
                    record = new()
                    {
                        EstateId = target.Estate.Id,
                        PlantingId = planting.Id,
                        Row = (int)row!.Value,
                        Tree = (int)tree!.Value,
                    }
                );
            }
            else if (record.Says(entry))
                return;
            record.TakeOver(entry, null);
        }

        // Grafts lie back in time, so that the real day is near enough.
        private ReworkTerms TermsOf(PlantingRecord planting) =>
            ReworkGround.TermsOf(planting, target.Estate, TimeProvider.System);

        private static ReworkedTreeEntry EntryOf(LineReader line, ReworkedTreeEntry before)
        {
            T? Told<T>(string field, Func<string, T?> read, T? was) => line.Has(field) ? read(field) : was;
            return new()
            {
                Variety = Told("variety", line.Text, before.Variety),
                Graft = Told("graft", line.Text, before.Graft)?.ToLowerInvariant(),
                GraftedOn = Told("graftedOn", line.Date, before.GraftedOn),
                Girth = Told("girth", line.Amount, before.Girth),
                Height = Told("height", line.Amount, before.Height),
                Union = Told("union", line.Text, before.Union)?.ToLowerInvariant(),
                Support = Told("support", f => Saying(line, f), before.Support),
                Guard = Told("guard", f => Saying(line, f), before.Guard),
                TrueToName = Told("trueToName", line.Number, before.TrueToName),
                DoneSeason = Told("doneSeason", line.Number, before.DoneSeason),
                Finished = Told("finished", f => Saying(line, f), before.Finished),
                Note = Told("note", line.Text, before.Note),
            };
        }

        public void Finish() { }
    }
}
