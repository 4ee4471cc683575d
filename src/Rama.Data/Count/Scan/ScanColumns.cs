using Rama.Data.Exchange;
using Rama.Data.Exchange.Reading;

namespace Rama.Data.Count.Scan;

/// <summary>Which columns of a scan fill what, and how its numbers are written.</summary>
/// <param name="Decimal">The decimal sign, <c>.</c> or <c>,</c>.</param>
/// <param name="TrunkUnit">Unit of the trunk diameters.</param>
/// <param name="Columns">Number of the column, from 0, by field.</param>
public sealed record ScanMapping(string Decimal, string TrunkUnit, IReadOnlyDictionary<string, int> Columns)
{
    internal int Column(string field) => Columns.TryGetValue(field, out var column) ? column : -1;
}

/// <summary>
/// What a scan of trees may hold: where each tree stands, by number or by position, and what was seen.
/// </summary>
public static class ScanColumns
{
    /// <summary>Most leaders told apart on a tree.</summary>
    public const int MostLeaders = 12;

    /// <summary>Units a trunk diameter may be told in, the usual first.</summary>
    public static readonly IReadOnlyList<string> TrunkUnits = ["mm", "cm", "in"];

    /// <summary>The columns.</summary>
    public static IReadOnlyList<ExchangeColumn> All { get; } =
    [
        ExchangeColumn.Text("code", false, "Planting", "Planting code", "Block", "Plantación", "Parcela", "Cuartel"),
        ExchangeColumn.Number("row", false, "Row", "Row number", "Fila", "Hilera"),
        ExchangeColumn.Number("tree", false, "Tree", "Tree number", "Árbol", "Planta"),
        ExchangeColumn.Number("longitude", false, "Longitude", "Lon", "Lng", "Longitud"),
        ExchangeColumn.Number("latitude", false, "Latitude", "Lat", "Latitud"),
        new("trunk", ColumnKind.Amount, ["Trunk", "Trunk diameter", "Trunk mm", "Diámetro de tronco"], TrunkUnits),
        ExchangeColumn.Number("limbs", false, "Limbs", "Branches", "Ramas"),
        ExchangeColumn.Number("buds", false, "Buds", "Bud count", "Yemas"),
        .. Enumerable
            .Range(1, MostLeaders)
            .Select(i => ExchangeColumn.Number($"leader{i}", false, $"Leader {i}", $"Eje {i}")),
    ];

    /// <summary>What the headers of a file tell.</summary>
    /// <param name="headers">Headers.</param>
    /// <param name="samples">Some lines, to see which decimal sign is used.</param>
    public static ScanMapping Guess(IReadOnlyList<string> headers, IReadOnlyList<IReadOnlyList<object?>> samples)
    {
        Sheet sheet = new("", headers, [.. samples.Select((s, i) => new SheetLine(i + 2, s))], []);
        var guess = MappingGuess.Of(sheet, All);
        return new(
            guess.Decimal,
            guess.Columns.FirstOrDefault(c => c.Field == "trunk")?.Unit ?? "mm",
            guess.Columns.ToDictionary(c => c.Field, c => c.Column)
        );
    }
}
