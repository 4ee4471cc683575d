namespace Rama.Core.Systems.Language;

/// <summary>What kind of quantity a rule speaks of; only like is compared with like.</summary>
public enum Dimension
{
    /// <summary>A count, share or ratio.</summary>
    Number,

    /// <summary>A length; metres inside.</summary>
    Length,

    /// <summary>An angle, degrees.</summary>
    Angle,

    /// <summary>Winters.</summary>
    Years,

    /// <summary>True or false.</summary>
    YesNo,
}

/// <summary>Units a rule may be written in.</summary>
public static class RuleUnits
{
    private static readonly Dictionary<string, (Dimension Dimension, double Factor)> Known = new()
    {
        [""] = (Dimension.Number, 1),
        ["%"] = (Dimension.Number, 0.01),
        ["mm"] = (Dimension.Length, 0.001),
        ["cm"] = (Dimension.Length, 0.01),
        ["m"] = (Dimension.Length, 1),
        ["deg"] = (Dimension.Angle, 1),
        ["years"] = (Dimension.Years, 1),
    };

    /// <summary>Codes of the units.</summary>
    public static IEnumerable<string> Codes => Known.Keys.Where(k => k.Length > 0);

    /// <summary>The units of each kind of quantity, a plain number's as none.</summary>
    internal static IReadOnlyDictionary<Dimension, IReadOnlyList<string>> ByDimension { get; } =
        Enum.GetValues<Dimension>()
            .ToDictionary(
                d => d,
                d => (IReadOnlyList<string>)[.. Known.Where(k => k.Value.Dimension == d).Select(k => k.Key)]
            );

    /// <summary>What a unit measures and what it is in the base unit; null for an unknown one.</summary>
    internal static (Dimension Dimension, double Factor)? Find(string code) =>
        Known.TryGetValue(code, out var unit) ? unit : null;
}
