using Rama.Core.Estate;
using Rama.Core.Quantities;
using Rama.Core.Systems;
using Rama.Data.Estate;

namespace Rama.Data.Exchange.Tables;

/// <summary>Plantings with their block and site; one line a planting, known by its code.</summary>
internal sealed class PlantingTable : ExchangeTable
{
    public override string Name => "plantings";

    public override IReadOnlyList<ExchangeColumn> Columns { get; } =
    [
        ExchangeColumn.Text("site", required: false, "Site", "Farm", "Ranch", "Finca", "Fundo", "Predio"),
        ExchangeColumn.Text("block", required: false, "Block", "Block code", "Parcela", "Cuartel", "Bloque"),
        ExchangeColumn.Text("code", required: true, "Planting", "Planting code", "Code", "Plantación", "Código"),
        ExchangeColumn.Text("name", required: false, "Name", "Block name", "Description", "Nombre"),
        ExchangeColumn.Text("variety", required: true, "Variety", "Cultivar", "Variedad"),
        ExchangeColumn.Text("rootstock", required: true, "Rootstock", "Stock", "Portainjerto", "Patrón"),
        ExchangeColumn.Text(
            "system",
            required: false,
            "System",
            "Training system",
            "Training",
            "Sistema",
            "Conducción",
            "Formación"
        ),
        ExchangeColumn.Number(
            "yearPlanted",
            true,
            "Year planted",
            "Planting year",
            "Planted",
            "Año de plantación",
            "Plantado"
        ),
        ExchangeColumn.Length(
            "rowSpacing",
            true,
            "Row spacing",
            "Between rows",
            "Row distance",
            "Entre filas",
            "Distancia entre filas",
            "Calle"
        ),
        ExchangeColumn.Length(
            "treeSpacing",
            true,
            "Tree spacing",
            "In-row spacing",
            "Between trees",
            "Tree distance",
            "Entre árboles",
            "Distancia entre árboles",
            "Sobre fila"
        ),
        ExchangeColumn.Area("area", true, "Area", "Size", "Hectares", "Acres", "Superficie", "Área", "Hectáreas"),
        ExchangeColumn.Share("missingShare", "Missing trees", "Missing", "Gaps", "Faltantes", "Fallas"),
        ExchangeColumn.Share("pollinizerShare", "Pollinizers", "Pollinators", "Polinizadores"),
    ];

    internal override async Task<ITaking> BeginAsync(ImportTarget target, CancellationToken cancel) =>
        new Taking(
            target,
            await PlantingBook.LoadAsync(target.Database, cancel),
            await Ground.LoadAsync(target.Database, target.Estate, cancel)
        );

    internal override async Task<IEnumerable<IReadOnlyList<object?>>> WriteAsync(
        ExportSource source,
        CancellationToken cancel
    ) =>
        (await source.PlantingsAsync(cancel))
            .Select(p => p.ToEntry())
            .Select(p =>
                ExportSource.Line(
                    p.Site,
                    p.Block,
                    p.Code,
                    p.Name,
                    p.Variety,
                    p.Rootstock,
                    p.System,
                    p.YearPlanted,
                    p.RowSpacing,
                    p.TreeSpacing,
                    p.Area,
                    p.MissingShare ?? new(),
                    p.PollinizerShare ?? new()
                )
            );

    private sealed class Taking(ImportTarget target, PlantingBook book, Ground ground) : ITaking
    {
        private readonly Dictionary<string, int> _lines = new(StringComparer.OrdinalIgnoreCase);
        private readonly Dictionary<string, (string Site, int Line)> _sites = new(StringComparer.OrdinalIgnoreCase);

        public void ReadLine(LineReader line)
        {
            // A list of blocks with one planting each names the block only.
            var code = line.Text("code") ?? line.Text("block");
            if (code is not null && !_lines.TryAdd(code, line.LineNumber))
            {
                target.Add(
                    line.LineNumber,
                    "code",
                    "duplicate",
                    $"Planting: line {_lines[code]} has the code {code} already. Where a block holds several "
                        + "plantings, give each a code of its own and the block's in the block column."
                );
                return;
            }
            var known = code is null ? null : book.Find(code);
            var old = known?.ToEntry();
            var entry = Entry(line, old ?? new(), code);
            if (line.Problems.Problems.Count > 0)
                return;

            Planting? read = null;
            if (
                !target.Read(line.LineNumber, () => read = entry.Read(target.Estate.Season, target.Catalogue))
                || !SameSite(line, read!)
            )
                return;
            target.Was(
                known is null ? LineOutcome.Added
                : old == entry ? LineOutcome.Same
                : LineOutcome.Changed
            );
            if (old == entry)
                return;
            var planting = known ?? new() { EstateId = target.Estate.Id };
            planting.TakeOver(entry);
            ground.Place(planting, read!.Site, read.Block);
            if (known is null)
                target.Database.Add(planting);
        }

        public void Finish() { }

        private PlantingEntry Entry(LineReader line, PlantingEntry over, string? code)
        {
            string? Text(string field, string? known) => line.Has(field) ? line.Text(field) : known;
            Amount? Amount(string field, Amount? known) => line.Has(field) ? line.Amount(field) ?? new() : known;
            return over with
            {
                Site = Text("site", over.Site) ?? over.Site,
                Block = Text("block", over.Block) ?? over.Block ?? code,
                Code = code,
                Name = Text("name", over.Name) ?? over.Name ?? code,
                Variety = Match(Text("variety", over.Variety), target.Catalogue.Varieties.Select(v => v.Name)),
                Rootstock = Match(Text("rootstock", over.Rootstock), target.Catalogue.Rootstocks.Select(r => r.Name)),
                // Until other systems are there, a file without the column means the usual one.
                System = SystemOf(Text("system", over.System)) ?? over.System ?? TrainingSystem.Shipped[0].Id,
                YearPlanted = line.Has("yearPlanted") ? line.Number("yearPlanted") : over.YearPlanted,
                RowSpacing = Amount("rowSpacing", over.RowSpacing),
                TreeSpacing = Amount("treeSpacing", over.TreeSpacing),
                Area = Amount("area", over.Area),
                MissingShare = Amount("missingShare", over.MissingShare ?? new()),
                PollinizerShare = Amount("pollinizerShare", over.PollinizerShare ?? new()),
            };
        }

        // Names are matched as people write them, in any case and with or without points: "m9" is M.9.
        private static string? Match(string? written, IEnumerable<string> names) =>
            written is null
                ? null
                : names.FirstOrDefault(n => MappingGuess.Plain(n) == MappingGuess.Plain(written)) ?? written;

        private static string? SystemOf(string? written) =>
            written is null
                ? null
                : TrainingSystem
                    .Shipped.FirstOrDefault(s =>
                        new[] { s.Id, s.Name.En, s.Name.Es }.Any(n =>
                            MappingGuess.Plain(n) == MappingGuess.Plain(written)
                        )
                    )
                    ?.Id
                    ?? written;

        private bool SameSite(LineReader line, Planting planting)
        {
            if (planting.Site is null || _sites.TryAdd(planting.Block, (planting.Site, line.LineNumber)))
                return true;
            var (site, first) = _sites[planting.Block];
            if (string.Equals(site, planting.Site, StringComparison.OrdinalIgnoreCase))
                return true;
            target.Add(
                line.LineNumber,
                "site",
                "conflict",
                $"Site: block {planting.Block} lies on {site} in line {first}; a block lies on one site."
            );
            return false;
        }
    }
}
