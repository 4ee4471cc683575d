using System.Text.Json.Serialization;

namespace Rama.Core.Explain;

/// <summary>A named number with its unit: an input or a result of a step.</summary>
/// <param name="Name">The name of the quantity in the words of the trade.</param>
/// <param name="Value">The value, not rounded.</param>
/// <param name="Unit">The unit, <c>1</c> where there is none.</param>
/// <param name="Words">The name in all languages, where it is not one of the core's own words but comes with the
/// data.</param>
public sealed record Figure(
    string Name,
    double Value,
    string Unit,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] LocalText? Words = null
)
{
    /// <summary>A quantity named in the data.</summary>
    public static Figure Named(LocalText words, double value, string unit) => new(words.En, value, unit, words);
}
