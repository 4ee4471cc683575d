using System.Globalization;
using System.Text.RegularExpressions;

namespace Rama.Data.Exchange.Reading;

/// <summary>
/// What stands in a column of a file, whatever its heading says; shares are of the cells that are filled.
/// </summary>
/// <param name="Filled">Cells with something in them.</param>
/// <param name="Numbers">Share that is numbers.</param>
/// <param name="Years">Share that is years somebody could have planted in.</param>
/// <param name="Pairs">Share that is two spacings in one, such as <c>12 x 3</c>.</param>
/// <param name="Distinct">Share that no earlier cell holds.</param>
/// <param name="Varieties">Share that is varieties of the catalogue.</param>
/// <param name="Rootstocks">Share that is rootstocks.</param>
/// <param name="Systems">Share that is training systems.</param>
/// <param name="Crops">Share that is crops.</param>
/// <param name="Values">Its numbers.</param>
internal sealed partial record ColumnContents(
    int Filled,
    double Numbers,
    double Years,
    double Pairs,
    double Distinct,
    double Varieties,
    double Rootstocks,
    double Systems,
    double Crops,
    IReadOnlyList<double> Values
)
{
    // As many lines as tell; a list of a hundred thousand says no more.
    private const int Looked = 400;

    private const int FirstYear = 1900,
        LastYear = 2100;

    /// <summary>Looks at a column.</summary>
    /// <param name="lines">Lines of the table, without sums and remarks.</param>
    /// <param name="column">Number of the column.</param>
    /// <param name="decimalSign">The decimal sign.</param>
    /// <param name="names">Names of the trade.</param>
    public static ColumnContents Of(IEnumerable<SheetLine> lines, int column, string decimalSign, TradeNames names)
    {
        var cells = lines
            .Take(Looked)
            .Select(l => l[column])
            .Where(c => c is not null && !(c is string text && string.IsNullOrWhiteSpace(text)))
            .ToList();
        if (cells.Count == 0)
            return new(0, 0, 0, 0, 0, 0, 0, 0, 0, []);
        var texts = cells.OfType<string>().ToList();
        List<double> values = [.. cells.Select(c => CellNumber.Of(c, decimalSign)).OfType<double>()];
        double Share(int count) => (double)count / cells.Count;
        double Named(Func<string, string?> find) => Share(texts.Count(t => find(t) is not null));
        return new(
            cells.Count,
            Share(values.Count),
            Share(values.Count(v => v % 1 == 0 && v is >= FirstYear and <= LastYear)),
            Share(texts.Count(t => Pair(t) is not null)),
            Share(
                cells
                    .Select(c => Convert.ToString(c, CultureInfo.InvariantCulture))
                    .Distinct(StringComparer.OrdinalIgnoreCase)
                    .Count()
            ),
            Named(names.Variety),
            Named(names.Rootstock),
            Named(names.System),
            Named(names.Crop),
            values
        );
    }

    /// <summary>The two numbers and the unit of <c>12 x 3 ft</c>; null where it is not written so.</summary>
    /// <param name="text">What is written.</param>
    public static (string Row, string Tree, string? Unit)? Pair(string text) =>
        PairLike().Match(text) is { Success: true } match
            ? (
                match.Groups[1].Value,
                match.Groups[3].Value,
                UnitWords.Find(match.Groups[4].Value) ?? UnitWords.Find(match.Groups[2].Value)
            )
            : null;

    [GeneratedRegex(@"^\s*(\d+(?:[.,]\d+)?)\s*([\p{L}'´]*)\s*[x×X*]\s*(\d+(?:[.,]\d+)?)\s*([\p{L}'´]*)\.?\s*$")]
    private static partial Regex PairLike();
}
