using Rama.Core.Quantities;
using Rama.Core.Target;

namespace Rama.Data.Exchange;

/// <summary>What stands in the cells of a column.</summary>
public enum ColumnKind
{
    /// <summary>A name or a list.</summary>
    Text,

    /// <summary>A number without a unit.</summary>
    Number,

    /// <summary>A number with a unit.</summary>
    Amount,

    /// <summary>A day.</summary>
    Date,

    /// <summary>An outline or a line on the ground; only in GeoJSON.</summary>
    Geometry,
}

/// <summary>A column of a table that goes in and out of Rama.</summary>
/// <param name="Field">Path of the field in the entry it fills, such as <c>rowSpacing</c>.</param>
/// <param name="Kind">What stands in its cells.</param>
/// <param name="Headers">Headers it is known by, in English and Spanish; the first one is written.</param>
/// <param name="Units">Units of an amount, the usual first.</param>
/// <param name="Required">Whether a file must have it.</param>
public sealed record ExchangeColumn(
    string Field,
    ColumnKind Kind,
    IReadOnlyList<string> Headers,
    IReadOnlyList<string> Units,
    bool Required = false
)
{
    /// <summary>Whether it is read only: another column says the same when the table is written.</summary>
    public bool IsReadOnly { get; init; }

    /// <summary>Whether it tells the lines of its table apart.</summary>
    internal bool IsKey { get; init; }

    /// <summary>Values most of them have, in the base unit of the quantity; null where a value tells no unit.</summary>
    internal (double Low, double High)? Usual { get; init; }

    /// <summary>The header written.</summary>
    public string Header => Headers[0];

    /// <summary>The header of the column that holds the unit, where units differ from line to line.</summary>
    public string UnitHeader => $"{Header} unit";

    /// <summary>Whether a value in a unit is a usual one.</summary>
    /// <param name="value">The value.</param>
    /// <param name="unit">The unit.</param>
    internal bool IsUsual(double value, string unit) =>
        Usual is not { } usual
        || !Factors.TryGetValue(unit, out var factor)
        || value * factor.Factor >= usual.Low && value * factor.Factor <= usual.High;

    private static readonly Dictionary<string, Unit> Factors = new[]
    {
        Core.Quantities.Units.Length,
        Core.Quantities.Units.Area,
        Core.Quantities.Units.Mass,
        Core.Quantities.Units.Share,
    }
        .SelectMany(t => t)
        .ToDictionary(u => u.Key, u => u.Value);

    internal static ExchangeColumn Text(string field, bool required, params string[] headers) =>
        new(field, ColumnKind.Text, headers, [], required);

    internal static ExchangeColumn Number(string field, bool required, params string[] headers) =>
        new(field, ColumnKind.Number, headers, [], required);

    internal static ExchangeColumn Date(string field, params string[] headers) =>
        new(field, ColumnKind.Date, headers, []);

    internal static ExchangeColumn Length(string field, bool required, params string[] headers) =>
        new(field, ColumnKind.Amount, headers, ["m", "ft", "cm", "mm", "in"], required);

    internal static ExchangeColumn Girth(string field, bool required, params string[] headers) =>
        // A young whip has 3 cm, a standard tree of eighty years 2 m.
        new(field, ColumnKind.Amount, headers, ["cm", "mm", "in", "m", "ft"], required) { Usual = (0.03, 2) };

    internal static ExchangeColumn Share(string field, params string[] headers) =>
        new(field, ColumnKind.Amount, headers, ["%", "share"]) { Usual = (0, 1) };

    internal static ExchangeColumn Area(string field, bool required, params string[] headers) =>
        new(field, ColumnKind.Amount, headers, ["ha", "ac"], required);

    internal static ExchangeColumn Mass(string field, params string[] headers) =>
        new(field, ColumnKind.Amount, headers, ["kg", "lb", "g", "t", "oz", "ton"]);

    internal static ExchangeColumn Yield(params string[] headers) =>
        new("yield", ColumnKind.Amount, headers, YieldTarget.UnitCodes);

    internal static ExchangeColumn FruitSize(params string[] headers) =>
        new("fruitSize", ColumnKind.Amount, headers, Core.Target.Size.FruitSize.UnitCodes);
}
