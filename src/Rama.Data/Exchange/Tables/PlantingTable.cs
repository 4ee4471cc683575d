using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Quantities;
using Rama.Core.Systems;
using Rama.Data.Estate;
using Rama.Data.Exchange.Reading;

namespace Rama.Data.Exchange.Tables;

/// <summary>Plantings with their block and site; one line a planting, known by its code.</summary>
internal sealed class PlantingTable : ExchangeTable
{
    public override string Name => "plantings";

    // Usual distances: from a wall with narrow alleys to standard trees; assumption, wide on purpose.
    public override IReadOnlyList<ExchangeColumn> Columns { get; } =
    [
        ExchangeColumn.Text("site", required: false, "Site", "Farm", "Ranch", "Place", "Finca", "Fundo", "Predio"),
        ExchangeColumn.Text(
            "block",
            required: false,
            "Block",
            "Block code",
            "Parcel",
            "Quarter",
            "Field",
            "Parcela",
            "Cuartel",
            "Bloque",
            "Cuadro"
        ),
        ExchangeColumn.Text("code", required: true, "Planting", "Planting code", "Code", "Plantación", "Código") with
        {
            IsKey = true,
        },
        ExchangeColumn.Text("name", required: false, "Name", "Block name", "Description", "Nombre"),
        ExchangeColumn.Text("crop", required: false, "Crop", "Commodity", "Fruit", "Especie", "Cultivo") with
        {
            IsReadOnly = true,
        },
        ExchangeColumn.Text("variety", required: true, "Variety", "Cultivar", "Sort", "Sorte", "Variedad"),
        ExchangeColumn.Text(
            "rootstock",
            required: true,
            "Rootstock",
            "Stock",
            "Unterlage",
            "Portainjerto",
            "Patrón",
            "Pie"
        ),
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
            "Plantado",
            "Año"
        ),
        ExchangeColumn.Length(
            "rowSpacing",
            true,
            "Row spacing",
            "Between rows",
            "Row distance",
            "Rows",
            "Entre filas",
            "Entre hileras",
            "Distancia entre filas",
            "Calle"
        ) with
        {
            Usual = (1.8, 8),
        },
        ExchangeColumn.Length(
            "treeSpacing",
            true,
            "Tree spacing",
            "In-row spacing",
            "Between trees",
            "Tree distance",
            "Distance in row",
            "Trees",
            "Entre árboles",
            "Entre plantas",
            "Distancia entre árboles",
            "Sobre fila",
            "Sobre hilera"
        ) with
        {
            Usual = (0.3, 7),
        },
        ExchangeColumn.Length(
            "spacing",
            false,
            "Spacing",
            "Planting distance",
            "Marco",
            "Marco de plantación",
            "Distancia"
        ) with
        {
            IsReadOnly = true,
        },
        ExchangeColumn.Area(
            "area",
            true,
            "Area",
            "Size",
            "Surface",
            "Hectares",
            "Acres",
            "Superficie",
            "Área",
            "Hectáreas"
        ) with
        {
            Usual = (0.005, 200),
        },
        ExchangeColumn.Number(
            "trees",
            false,
            "Number of trees",
            "Tree count",
            "Trees",
            "Pieces",
            "Número de plantas",
            "Número de árboles",
            "Plantas",
            "Árboles"
        ) with
        {
            IsReadOnly = true,
        },
        ExchangeColumn.Share("missingShare", "Missing trees", "Missing", "Gaps", "Faltantes", "Fallas"),
        ExchangeColumn.Share("pollinizerShare", "Pollinizers", "Pollinators", "Polinizadores"),
    ];

    public override IReadOnlyDictionary<string, IReadOnlyList<string>> Also { get; } =
        new Dictionary<string, IReadOnlyList<string>>
        {
            // A list of blocks with one planting each needs no code of its own.
            ["code"] = ["block"],
            ["rowSpacing"] = ["spacing"],
            ["treeSpacing"] = ["spacing"],
        };

    public override bool KeepsFree => true;

    internal override async Task<IReadOnlyList<string>> HeadersAsync(ExportSource source, CancellationToken cancel) =>
        [.. Headers, .. FreeNames(await source.PlantingsAsync(cancel))];

    internal override async Task<ITaking> BeginAsync(ImportTarget target, CancellationToken cancel) =>
        new Taking(
            target,
            await PlantingBook.LoadAsync(target.Database, cancel),
            await Ground.LoadAsync(target.Database, target.Estate, cancel)
        );

    internal override async Task<IEnumerable<IReadOnlyList<object?>>> WriteAsync(
        ExportSource source,
        CancellationToken cancel
    )
    {
        var plantings = await source.PlantingsAsync(cancel);
        var free = FreeNames(plantings);
        return plantings
            .Select(p => p.ToEntry())
            .Select(p =>
                (IReadOnlyList<object?>)
                    [
                        .. ExportSource.Line(
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
                        ),
                        .. free.Select(name => Cell(p.Free.FirstOrDefault(f => f.Name == name))),
                    ]
            );
    }

    private static List<string> FreeNames(IEnumerable<PlantingRecord> plantings) =>
        [
            .. plantings
                .SelectMany(p => FreeColumns.Read(p.Free))
                .Select(f => f.Name!)
                .Distinct()
                .Order(StringComparer.Ordinal),
        ];

    private static object? Cell(FreeValue? value) => value?.Text ?? value?.Number ?? (object?)value?.Date;

    private sealed class Taking(ImportTarget target, PlantingBook book, Ground ground) : ITaking
    {
        private readonly Dictionary<string, int> _lines = new(StringComparer.OrdinalIgnoreCase);

        // A twentieth is headlands, gaps and rounding; assumption.
        private const double MostOff = 0.05;

        private readonly TradeNames _names = new(target.Catalogue);
        private readonly Dictionary<string, string> _likeCodes = [];
        private readonly Dictionary<string, int> _assumed = [];
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
            Planting? read = null;
            try
            {
                read = entry.Read(target.Estate.Season, target.Catalogue);
            }
            catch (UnusableEntryException e)
            {
                // All that is wrong with a line at once, but of a field only what was found first.
                foreach (var problem in e.Problems)
                    if (!Told(line, problem.Field))
                        line.Problems.Add(problem.Field, problem.Code, problem.Message);
            }
            if (line.Problems.Problems.Count > 0 || !SameSite(line, read!))
                return;
            CheckTrees(line, entry, read!);
            TellLikeCode(line, code!);
            target.Was(
                known is null ? LineOutcome.Added
                : old!.SaysTheSame(entry) ? LineOutcome.Same
                : LineOutcome.Changed
            );
            if (old?.SaysTheSame(entry) == true)
                return;
            var planting = known ?? new() { EstateId = target.Estate.Id };
            planting.TakeOver(entry);
            ground.Place(planting, read!.Site, read.Block);
            if (known is null)
                target.Database.Add(planting);
        }

        public void Finish()
        {
            if (_assumed.Count > 0)
                target.Warn(
                    0,
                    "system",
                    "usual",
                    "Where the file names no training system the usual one of the crop is taken: "
                        + string.Join(", ", _assumed.Select(a => $"{NameOf(a.Key)} ({a.Value})"))
                        + "."
                );
        }

        private PlantingEntry Entry(LineReader line, PlantingEntry over, string? code)
        {
            string? Text(string field, string? known) => line.Has(field) ? line.Text(field) : known;
            Amount? Amount(string field, Amount? known) => line.Has(field) ? line.Amount(field) ?? new() : known;
            var pair = line.Has("spacing") ? line.Pair("spacing") : null;
            return over with
            {
                Site = Text("site", over.Site) ?? over.Site,
                Block = Text("block", over.Block) ?? over.Block ?? code,
                Code = code,
                Name = Text("name", over.Name) ?? over.Name ?? code,
                Variety = Known("variety", Text("variety", over.Variety)),
                Rootstock = Known("rootstock", Text("rootstock", over.Rootstock)),
                System = SystemOf(line, over, Text("variety", over.Variety)),
                YearPlanted = line.Has("yearPlanted") ? line.Number("yearPlanted") : over.YearPlanted,
                RowSpacing = pair?.Row ?? Amount("rowSpacing", over.RowSpacing),
                TreeSpacing = pair?.Tree ?? Amount("treeSpacing", over.TreeSpacing),
                Area = Amount("area", over.Area),
                MissingShare = Amount("missingShare", over.MissingShare ?? new()),
                PollinizerShare = Amount("pollinizerShare", over.PollinizerShare ?? new()),
                Free = line.Free(over.Free),
            };
        }

        private string? Known(string field, string? written) =>
            written is null ? null : _names.Find(field, written) ?? written;

        // A file without the column, or with "spindle" for cherries too, means the usual one of the crop; it is told.
        private string SystemOf(LineReader line, PlantingEntry over, string? variety)
        {
            var written = line.Has("system") ? Known("system", line.Text("system")) : null;
            var system = written ?? over.System;
            var crop = target.Catalogue.Variety(Known("variety", variety))?.Crop;
            if (system is not null && (crop is null || _names.Suits(system, crop)))
                return system;
            var usual = (crop is null ? null : _names.UsualSystem(crop)) ?? TrainingSystem.Shipped[0].Id;
            if (system is null)
                _assumed[usual] = _assumed.GetValueOrDefault(usual) + 1;
            else if (IsSpindle(system) && IsSpindle(usual))
                target.Warn(
                    line.LineNumber,
                    "system",
                    "usual",
                    $"System: {NameOf(system)} is not used for {crop}; {NameOf(usual)} is taken."
                );
            else
                return system;
            return usual;
        }

        private static bool IsSpindle(string system) => system.EndsWith("-spindle", StringComparison.Ordinal);

        private string NameOf(string system) => target.Catalogue.System(system)?.Name.En ?? system;

        private static bool Told(LineReader line, string field) =>
            line.Problems.Problems.Any(p =>
                p.Field == field || p.Field == "spacing" && field is "rowSpacing" or "treeSpacing"
            );

        // What area and spacings make room for, beside what somebody counted or was billed for.
        private void CheckTrees(LineReader line, PlantingEntry entry, Planting planting)
        {
            if (line.NumberToCompare("trees") is not (> 0 and var listed))
                return;
            var room = PlantingDensity.Of(planting.Form).TreePlaces;
            var standing = room * (1 - planting.Form.MissingShare);
            if (listed >= standing * (1 - MostOff) && listed <= room * (1 + MostOff))
                return;
            target.Warn(
                line.LineNumber,
                "trees",
                "trees",
                FormattableString.Invariant(
                    $"{listed:#,0} trees stand in the file; {Told(entry.Area)} at {Told(entry.RowSpacing)} × "
                )
                    + FormattableString.Invariant(
                        $"{Told(entry.TreeSpacing)} has room for {room:#,0}. Check area, spacings and missing trees."
                    )
            );
        }

        private static string Told(Amount? amount) =>
            FormattableString.Invariant($"{amount?.Value:0.##} {amount?.Unit}");

        // "A-1" and "a 1" are more likely one block than two.
        private void TellLikeCode(LineReader line, string code)
        {
            var plain = Words.Plain(code);
            if (
                _likeCodes.TryAdd(plain, code)
                || string.Equals(_likeCodes[plain], code, StringComparison.OrdinalIgnoreCase)
            )
                return;
            target.Warn(
                line.LineNumber,
                "code",
                "like",
                $"“{code}” is written much like “{_likeCodes[plain]}”. Are they one planting?"
            );
        }

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
