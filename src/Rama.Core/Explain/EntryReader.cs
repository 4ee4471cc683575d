using System.Collections.Frozen;
using System.Globalization;
using Rama.Core.Quantities;

namespace Rama.Core.Explain;

/// <summary>
/// Reads what a person typed into SI numbers and collects what is wrong, field by field, so that one answer
/// names every mistake. A number that cannot be used reads as NaN; <see cref="ThrowIfAny"/> keeps it from going
/// further.
/// </summary>
public sealed class EntryReader
{
    private readonly List<FieldProblem> _problems = [];

    /// <summary>The problems found so far.</summary>
    public IReadOnlyList<FieldProblem> Problems => _problems;

    /// <summary>Throws <see cref="UnusableEntryException"/> if anything was wrong.</summary>
    public void ThrowIfAny()
    {
        if (_problems.Count > 0)
            throw new UnusableEntryException(_problems);
    }

    /// <summary>Runs a reading and files its problems under <paramref name="path"/>; null when it failed.</summary>
    public T? Under<T>(string path, Func<T?> read)
        where T : class
    {
        try
        {
            return read();
        }
        catch (UnusableEntryException e)
        {
            var prefix = path.Length == 0 ? "" : path + ".";
            _problems.AddRange(e.Problems.Select(p => p with { Field = prefix + p.Field }));
            return null;
        }
    }

    /// <summary>Files a problem.</summary>
    public void Add(string field, string code, string message) => _problems.Add(new(field, code, message));

    /// <summary>A required amount between two limits given in the base unit of <paramref name="units"/>.</summary>
    public double Required(
        string field,
        string label,
        Amount? amount,
        FrozenDictionary<string, Unit> units,
        double min,
        double max
    ) => amount?.Value is null ? Missing(field, label) : Converted(field, label, amount, units, min, max);

    /// <summary>
    /// An amount that may be left out, between two limits given in the base unit of <paramref name="units"/>.
    /// </summary>
    public double? Optional(
        string field,
        string label,
        Amount? amount,
        FrozenDictionary<string, Unit> units,
        double min,
        double max
    ) => amount?.Value is null ? null : Required(field, label, amount, units, min, max);

    /// <summary>A required plain number between two limits.</summary>
    public double Required(string field, string label, double? value, string unit, double min, double max) =>
        value is null ? Missing(field, label) : InRange(field, label, value.Value, unit, min, max);

    /// <summary>A plain number that may be left out, between two limits.</summary>
    public double? Optional(string field, string label, double? value, string unit, double min, double max) =>
        value is null ? null : InRange(field, label, value.Value, unit, min, max);

    /// <summary>A whole number that may be left out, between two limits.</summary>
    public double? OptionalWhole(string field, string label, double? value, string unit, double min, double max)
    {
        if (value is not { } number)
            return null;
        var read = InRange(field, label, number, unit, min, max);
        if (double.IsNaN(read) || number == Math.Floor(number))
            return read;
        // A limit that hangs on an entry that cannot be used is none, and no number for JSON.
        double? Told(double limit) => double.IsNaN(limit) ? null : limit;
        _problems.Add(new(field, "whole", $"{label}: expected a whole number.", Told(min), Told(max), unit));
        return double.NaN;
    }

    /// <summary>A required whole number between two limits.</summary>
    public double RequiredWhole(string field, string label, double? value, string unit, double min, double max) =>
        OptionalWhole(field, label, value, unit, min, max) ?? Missing(field, label);

    /// <summary>A required text of at most <paramref name="maxLength"/> characters.</summary>
    public string Text(string field, string label, string? text, int maxLength)
    {
        var trimmed = text?.Trim() ?? "";
        if (trimmed.Length == 0)
            Missing(field, label);
        else if (trimmed.Length > maxLength)
            _problems.Add(new(field, "long", $"{label}: expected at most {maxLength} characters.", Max: maxLength));
        // A database has no place for it.
        else if (trimmed.Contains('\0', StringComparison.Ordinal))
            Add(field, "unsound", $"{label}: expected a text without NUL characters.");
        return trimmed;
    }

    /// <summary>
    /// A text that may be left out, of at most <paramref name="maxLength"/> characters; null when nothing was typed.
    /// </summary>
    public string? OptionalText(string field, string label, string? text, int maxLength) =>
        string.IsNullOrWhiteSpace(text) ? null : Text(field, label, text, maxLength);

    /// <summary>Reads a unit code from a table; null and a problem when it is not in it.</summary>
    public Unit? UnitOf(string field, string label, string? code, FrozenDictionary<string, Unit> units)
    {
        if (code is not null && units.TryGetValue(code, out var unit))
            return unit;
        Add(field, "unit", $"{label}: expected one of the units {string.Join(", ", units.Keys.Order())}.");
        return null;
    }

    /// <summary>A number between two limits, in the unit the person typed it in.</summary>
    public double InRange(string field, string label, double value, string unit, double min, double max)
    {
        // A limit that hangs on another entry is none where that entry cannot be used; that is told there.
        if (value >= min && value <= max || double.IsNaN(min) || double.IsNaN(max))
            return value;
        var range = $"{Plain(min)} to {Plain(max)}{(unit is "1" or "" ? "" : " " + unit)}";
        _problems.Add(new(field, "range", $"{label}: expected {range}, got {Plain(value)}.", min, max, unit));
        return double.NaN;
    }

    private double Converted(
        string field,
        string label,
        Amount amount,
        FrozenDictionary<string, Unit> units,
        double min,
        double max
    )
    {
        if (UnitOf(field, label, amount.Unit, units) is not { } unit)
            return double.NaN;
        var read = InRange(
            field,
            label,
            amount.Value!.Value,
            unit.Code,
            Neat(unit.FromBase(min)),
            Neat(unit.FromBase(max))
        );
        return unit.ToBase(read);
    }

    private double Missing(string field, string label)
    {
        Add(field, "missing", $"{label}: please fill this in.");
        return double.NaN;
    }

    // A limit converted to the typed unit is told, and held, at three significant digits: 3.28 ft, not 3.280839895.
    private static double Neat(double limit) =>
        limit == 0 ? 0 : double.Parse(limit.ToString("G3", CultureInfo.InvariantCulture), CultureInfo.InvariantCulture);

    private static string Plain(double value) => value.ToString("0.####", CultureInfo.InvariantCulture);
}
