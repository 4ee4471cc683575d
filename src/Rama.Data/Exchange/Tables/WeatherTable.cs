using Microsoft.EntityFrameworkCore;
using Rama.Core.Quantities;
using Rama.Core.Weather;
using Rama.Data.Estate;
using Rama.Data.Weather;

namespace Rama.Data.Exchange.Tables;

/// <summary>Daily weather; one line a site and day.</summary>
internal sealed class WeatherTable : ExchangeTable
{
    public override string Name => "weather";

    public override IReadOnlyList<ExchangeColumn> Columns { get; } =
    [
        ExchangeColumn.Text("site", false, "Site", "Station", "Finca", "Sitio", "Estación"),
        new("date", ColumnKind.Date, ["Date", "Day", "Fecha", "Día"], [], Required: true),
        new("minC", ColumnKind.Amount, ["Lowest", "Minimum", "Min", "Tmin", "Mínima"], ["°C", "°F"], Required: true),
        new("maxC", ColumnKind.Amount, ["Highest", "Maximum", "Max", "Tmax", "Máxima"], ["°C", "°F"], Required: true),
        new("rainMm", ColumnKind.Amount, ["Rain", "Precipitation", "Lluvia", "Precipitación"], ["mm", "in"]),
        new("windMs", ColumnKind.Amount, ["Wind", "Gust", "Viento", "Racha"], ["m/s", "km/h", "mph"]),
        ExchangeColumn.Text("forecast", false, "Forecast", "Pronóstico"),
    ];

    internal override async Task<ITaking> BeginAsync(ImportTarget target, CancellationToken cancel) =>
        new Taking(
            target,
            await target.Database.Sites.OrderBy(s => s.Name).ToListAsync(cancel),
            await target.Database.WeatherDays.ToDictionaryAsync(d => (d.SiteId, d.Date), cancel),
            target.Now
        );

    internal override async Task<IEnumerable<IReadOnlyList<object?>>> WriteAsync(
        ExportSource source,
        CancellationToken cancel
    )
    {
        var sites = await source.Database.Sites.AsNoTracking().ToDictionaryAsync(s => s.Id, s => s.Name, cancel);
        return (await source.Database.WeatherDays.AsNoTracking().ToListAsync(cancel))
            .OrderBy(d => sites[d.SiteId], StringComparer.Ordinal)
            .ThenBy(d => d.Date)
            .Select(d =>
                ExportSource.Line(
                    sites[d.SiteId],
                    d.Date,
                    new Amount(d.MinC, "°C"),
                    new Amount(d.MaxC, "°C"),
                    new Amount(d.RainMm, "mm"),
                    new Amount(d.WindMs, "m/s"),
                    YesNo.Write(d.IsForecast)
                )
            );
    }

    private sealed class Taking(
        ImportTarget target,
        IReadOnlyList<SiteRecord> sites,
        Dictionary<(Guid, DateOnly), WeatherDayRecord> known,
        DateTimeOffset now
    ) : ITaking
    {
        private readonly Dictionary<(Guid, DateOnly), int> _lines = [];

        public void ReadLine(LineReader line)
        {
            var name = line.Text("site");
            var site = name is null
                ? sites.Count == 1
                    ? sites[0]
                    : null
                : sites.FirstOrDefault(s => string.Equals(s.Name, name, StringComparison.OrdinalIgnoreCase));
            if (site is null)
                line.Problems.Add(
                    "site",
                    name is null ? "missing" : "unknown",
                    name is null
                        ? "Site: please fill this in; the estate has several."
                        : $"Site: there is no site “{name}” in the estate."
                );
            var before =
                site is null || line.Date("date") is not { } date ? null : known.GetValueOrDefault((site.Id, date));
            WeatherDayEntry entry = new(
                line.Date("date"),
                Celsius(line, "minC"),
                Celsius(line, "maxC"),
                // A file of temperatures leaves the rain alone.
                line.Has("rainMm")
                    ? In(line, "rainMm", "mm", ("in", 25.4))
                    : before?.RainMm,
                line.Has("windMs") ? In(line, "windMs", "m/s", ("km/h", 1 / 3.6), ("mph", 0.44704)) : before?.WindMs
            );
            if (line.Problems.Problems.Count > 0 || !target.Read(line.LineNumber, () => entry.Read()))
                return;

            var day = entry.Read() with { IsForecast = line.Has("forecast") && YesNo.Read(line, "forecast") };
            if (line.Problems.Problems.Count > 0)
                return;
            if (!_lines.TryAdd((site!.Id, day.Date), line.LineNumber))
            {
                target.Add(
                    line.LineNumber,
                    "date",
                    "duplicate",
                    $"Date: line {_lines[(site.Id, day.Date)]} has this day already."
                );
                return;
            }
            target.Was(
                before is null ? LineOutcome.Added
                : before.ToDay() == day ? LineOutcome.Same
                : LineOutcome.Changed
            );
            if (before is null)
                target.Database.Add(WeatherDayRecord.Of(site, day, now));
            else
                before.TakeOver(day, now);
        }

        public void Finish() { }

        private static double? Celsius(LineReader line, string field) =>
            line.Amount(field) switch
            {
                { Unit: "°F", Value: { } fahrenheit } => Math.Round(FrostLoss.Celsius(fahrenheit), 2),
                { Unit: "°C" or null, Value: var celsius } => celsius,
                null => null,
                { Unit: var unit } => Unknown(line, field, unit),
            };

        private static double? In(
            LineReader line,
            string field,
            string unit,
            params (string Unit, double Factor)[] others
        )
        {
            if (line.Amount(field) is not { } amount)
                return null;
            if (amount.Unit is null || amount.Unit == unit)
                return amount.Value;
            var other = others.FirstOrDefault(o => o.Unit == amount.Unit);
            return other.Unit is null
                ? Unknown(line, field, amount.Unit)
                : Math.Round(amount.Value!.Value * other.Factor, 2);
        }

        private static double? Unknown(LineReader line, string field, string? unit)
        {
            line.Problems.Add(field, "unit", $"This unit is not known here: “{unit}”.");
            return null;
        }
    }
}
