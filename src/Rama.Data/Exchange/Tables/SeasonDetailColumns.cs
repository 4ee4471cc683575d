using Rama.Core.Result;
using Rama.Data.Result;

namespace Rama.Data.Exchange.Tables;

/// <summary>Columns of what a season says beside its main numbers: what was counted, and what was wanted.</summary>
internal static class SeasonDetailColumns
{
    public static readonly DetailColumns Columns = new([
        ExchangeColumn.Number("counts.budsBefore", false, "Buds before pruning", "Yemas antes de podar"),
        ExchangeColumn.Number("counts.bloomClusters", false, "Clusters in bloom", "Corimbos en flor"),
        ExchangeColumn.Share("counts.coldLoss", "Lost before bloom", "Pérdida antes de floración"),
        ExchangeColumn.Number("counts.setClusters", false, "Clusters set", "Corimbos cuajados"),
        ExchangeColumn.Number("counts.fruitPerTree", false, "Fruit counted per tree", "Frutos contados por árbol"),
        ExchangeColumn.Girth("counts.girth", false, "Girth of the season", "Perímetro de la temporada"),
        ExchangeColumn.Number("counts.returnBuds", false, "Return bloom", "Yemas del invierno siguiente"),
        ExchangeColumn.Share("counts.woodCut", "Wood cut", "Madera cortada"),
        ExchangeColumn.Length("counts.shootLength", false, "Length of shoots", "Longitud de brotes"),
        ExchangeColumn.Number("counts.uprights", false, "Uprights per tree", "Chupones por árbol"),
        ExchangeColumn.Number("counts.pricePerKg", false, "Price received per kg", "Precio recibido por kg"),
        ExchangeColumn.Number("wanted.budsLeft", false, "Wanted buds", "Yemas pedidas"),
        ExchangeColumn.Share("wanted.expectedLoss", "Expected loss", "Pérdida esperada"),
        ExchangeColumn.Share("wanted.setShare", "Expected set", "Cuajado esperado"),
        ExchangeColumn.Number("wanted.fruitPerTree", false, "Wanted fruit per tree", "Frutos pedidos por árbol"),
        new(
            "wanted.fruitSize",
            ColumnKind.Amount,
            ["Wanted fruit of", "Calibre pedido"],
            Core.Target.Size.FruitSize.UnitCodes
        ),
        ExchangeColumn.Share("wanted.packOut", "Expected pack-out", "Embalaje esperado"),
        .. HowOf("budsBefore", "Buds before pruning"),
        .. HowOf("budsLeft", "Buds left"),
        .. HowOf("bloomClusters", "Clusters in bloom"),
        .. HowOf("setClusters", "Clusters set"),
        .. HowOf("fruitPerTree", "Fruit counted"),
        .. HowOf("returnBuds", "Return bloom"),
    ]);

    /// <summary>The cells of a season.</summary>
    public static IEnumerable<object?> Cells(SeasonResultEntry season) => Columns.Cells(SeasonDetails.Of(season));

    /// <summary>A season with what a line says of it.</summary>
    public static SeasonResultEntry Taken(SeasonResultEntry before, LineReader line) =>
        Columns.Taken(before, line, SeasonDetails.Of, SeasonDetails.Read);

    private static IEnumerable<ExchangeColumn> HowOf(string number, string name) =>
        [
            ExchangeColumn.Number($"counts.how.{number}.trees", false, $"{name}: trees"),
            ExchangeColumn.Number($"counts.how.{number}.halfWidth", false, $"{name}: ±"),
            ExchangeColumn.Date($"counts.how.{number}.day", $"{name}: day"),
            ExchangeColumn.Text($"counts.how.{number}.by", false, $"{name}: how"),
            ExchangeColumn.Text($"counts.how.{number}.who", false, $"{name}: who"),
        ];
}
