using System.Text.RegularExpressions;
using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Systems;

/// <summary>
/// Words of a step with the numbers its system is set to: <c>{big-from}</c> becomes “22 mm (7/8 in)”.
/// </summary>
internal static partial class SettingWords
{
    /// <summary>The text with its settings filled in.</summary>
    /// <param name="text">The text.</param>
    /// <param name="settings">The system's settings.</param>
    /// <param name="values">Their values, by name and in their own unit.</param>
    public static LocalText Fill(
        LocalText text,
        IReadOnlyList<SystemSetting> settings,
        IReadOnlyDictionary<string, double> values
    )
    {
        string In(string language) =>
            Hole()
                .Replace(text.In(language), hole =>
                    settings.FirstOrDefault(s => s.Id == hole.Groups[1].Value) is { } setting
                        ? Told(values[setting.Id], setting.Unit, language)
                        : hole.Value
                );
        return text.En.Contains('{', StringComparison.Ordinal) || text.Es.Contains('{', StringComparison.Ordinal)
            ? new(In("en"), In("es"))
            : text;
    }

    [GeneratedRegex(@"\{([^}]*)\}")]
    internal static partial Regex Hole();

    private static string Told(double value, string unit, string language)
    {
        var number = LocalText.Number(value, "0.#", language);
        if (!Units.Length.TryGetValue(unit, out var length))
            return unit == "%" ? $"{number} %" : number;
        return $"{number} {unit} ({LengthTold.In(value * length.Factor, "mm", UnitSystem.Us, language)})";
    }
}
