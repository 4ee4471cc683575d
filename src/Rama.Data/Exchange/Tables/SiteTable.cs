using Microsoft.EntityFrameworkCore;
using Rama.Core.Season;
using Rama.Data.Estate;

namespace Rama.Data.Exchange.Tables;

/// <summary>Where sites lie and what their year is like; one line a site that plantings stand on.</summary>
internal sealed class SiteTable : ExchangeTable
{
    public override string Name => "sites";

    public override IReadOnlyList<ExchangeColumn> Columns { get; } =
    [
        ExchangeColumn.Text("site", true, "Site", "Farm", "Finca", "Sitio"),
        ExchangeColumn.Number("latitude", true, "Latitude", "Lat", "Latitud"),
        ExchangeColumn.Number("longitude", true, "Longitude", "Lon", "Longitud"),
        ExchangeColumn.Text("zone", false, "Time zone", "Zona horaria"),
        ExchangeColumn.Text("snow", false, "Snow on low limbs", "Nieve en ramas bajas"),
        ExchangeColumn.Number("stormMonth", false, "Storm season from month", "Tormentas desde el mes"),
        ExchangeColumn.Number("hotMonth", false, "Hot season from month", "Calor desde el mes"),
        ExchangeColumn.Text("source", false, "Source of weather", "Fuente del tiempo"),
    ];

    internal override async Task<ITaking> BeginAsync(ImportTarget target, CancellationToken cancel) =>
        new Taking(target, await target.Database.Sites.ToListAsync(cancel));

    internal override async Task<IEnumerable<IReadOnlyList<object?>>> WriteAsync(
        ExportSource source,
        CancellationToken cancel
    ) =>
        (await source.Database.Sites.AsNoTracking().ToListAsync(cancel))
            .OrderBy(s => s.Name, StringComparer.Ordinal)
            .Select(s =>
                ExportSource.Line(
                    s.Name,
                    s.Latitude,
                    s.Longitude,
                    s.Zone,
                    YesNo.Write(s.Snow),
                    s.StormMonth,
                    s.HotMonth,
                    s.WeatherSource
                )
            );

    private sealed class Taking(ImportTarget target, IReadOnlyList<SiteRecord> sites) : ITaking
    {
        private readonly Dictionary<Guid, int> _lines = [];

        public void ReadLine(LineReader line)
        {
            var name = line.Text("site");
            if (
                sites.FirstOrDefault(s => string.Equals(s.Name, name, StringComparison.OrdinalIgnoreCase))
                is not { } site
            )
            {
                line.Problems.Add(
                    "site",
                    name is null ? "missing" : "unknown",
                    name is null
                        ? "Site: please fill this in."
                        : $"Site: there is no site “{name}” in the estate. Import the plantings first."
                );
                return;
            }
            if (!_lines.TryAdd(site.Id, line.LineNumber))
            {
                target.Add(
                    line.LineNumber,
                    "site",
                    "duplicate",
                    $"Site: line {_lines[site.Id]} has this site already."
                );
                return;
            }
            var before = site.ToEntry();
            double? Number(string field, double? known) => line.Has(field) ? line.Number(field) : known;
            SiteEntry entry = new()
            {
                Latitude = line.Number("latitude"),
                Longitude = line.Number("longitude"),
                Zone = line.Has("zone") ? line.Text("zone") : before.Zone,
                Snow = line.Has("snow") ? YesNo.Read(line, "snow") : before.Snow,
                StormMonth = Number("stormMonth", before.StormMonth),
                HotMonth = Number("hotMonth", before.HotMonth),
                Source = line.Has("source") ? line.Text("source") : before.Source,
            };
            // Which sources there are, the server knows; one that is gone is read as files alone.
            if (
                line.Problems.Problems.Count > 0
                || !target.Read(line.LineNumber, () => entry.Read(entry.Source is null ? [] : [entry.Source]))
            )
                return;
            target.Was(entry == before ? LineOutcome.Same : LineOutcome.Changed);
            site.TakeOver(entry.Read(entry.Source is null ? [] : [entry.Source]));
        }

        public void Finish() { }
    }
}
