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
    /// <summary>The header written.</summary>
    public string Header => Headers[0];

    /// <summary>The header of the column that holds the unit, where units differ from line to line.</summary>
    public string UnitHeader => $"{Header} unit";

    internal static ExchangeColumn Text(string field, bool required, params string[] headers) =>
        new(field, ColumnKind.Text, headers, [], required);

    internal static ExchangeColumn Number(string field, bool required, params string[] headers) =>
        new(field, ColumnKind.Number, headers, [], required);

    internal static ExchangeColumn Date(string field, params string[] headers) =>
        new(field, ColumnKind.Date, headers, []);

    internal static ExchangeColumn Length(string field, bool required, params string[] headers) =>
        new(field, ColumnKind.Amount, headers, ["m", "ft", "cm", "mm", "in"], required);

    internal static ExchangeColumn Girth(string field, bool required, params string[] headers) =>
        new(field, ColumnKind.Amount, headers, ["cm", "mm", "in", "m", "ft"], required);

    internal static ExchangeColumn Share(string field, params string[] headers) =>
        new(field, ColumnKind.Amount, headers, ["%", "share"]);

    internal static ExchangeColumn Area(string field, bool required, params string[] headers) =>
        new(field, ColumnKind.Amount, headers, ["ha", "ac"], required);

    internal static ExchangeColumn Mass(string field, params string[] headers) =>
        new(field, ColumnKind.Amount, headers, ["kg", "lb", "g", "t", "oz", "ton"]);

    internal static ExchangeColumn Yield(params string[] headers) =>
        new("yield", ColumnKind.Amount, headers, YieldTarget.UnitCodes);

    internal static ExchangeColumn FruitSize(params string[] headers) =>
        new("fruitSize", ColumnKind.Amount, headers, Core.Target.Size.FruitSize.UnitCodes);
}
