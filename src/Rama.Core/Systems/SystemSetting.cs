using System.Text.Json.Serialization;
using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Systems;

/// <summary>A number of a rule pack a manager may change, and the search may try other values for.</summary>
/// <param name="Id">Name used in the rules.</param>
/// <param name="Value">Its value, in <paramref name="Unit"/>.</param>
/// <param name="Unit">A unit of the selector language; empty for a plain number.</param>
/// <param name="Least">Smallest sensible value.</param>
/// <param name="Most">Largest sensible value.</param>
/// <param name="Tries">Values the search tries; empty where it is not searched.</param>
/// <param name="Name">What it is.</param>
/// <param name="Source">Where the value comes from.</param>
/// <param name="Reserve">Whether the search tries it only where the others do not reach the number.</param>
public sealed record SystemSetting(
    string Id,
    double Value,
    string Unit,
    double Least,
    double Most,
    IReadOnlyList<double> Tries,
    LocalText Name,
    string Source,
    bool Reserve = false
)
{
    /// <summary>
    /// Whether it is a thickness, length or height: such a number is one for all trees of a planting.
    /// </summary>
    [JsonIgnore]
    public bool IsLength => Units.Length.ContainsKey(Unit);
}
