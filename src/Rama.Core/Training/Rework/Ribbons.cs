using Rama.Core.Explain;

namespace Rama.Core.Training.Rework;

/// <summary>Colours of the ribbons on trees in rework and trees to go.</summary>
/// <param name="Colours">Colour by standing; all standings have one.</param>
public sealed record Ribbons(IReadOnlyDictionary<ReworkStanding, string> Colours)
{
    /// <summary>Those that ship, with what an estate has chosen instead.</summary>
    /// <param name="chosen">Colours chosen.</param>
    public static Ribbons Of(IReadOnlyDictionary<ReworkStanding, string> chosen) =>
        new(
            Enum.GetValues<ReworkStanding>()
                .ToDictionary(s => s, s => chosen.GetValueOrDefault(s) ?? ReworkRules.Shipped.Ribbons[s])
        );

    /// <summary>Whether they are those that ship.</summary>
    public bool IsShipped => Colours.All(c => ReworkRules.Shipped.Ribbons[c.Key] == c.Value);

    /// <summary>Reads colours as chosen.</summary>
    /// <param name="chosen">Colours chosen; those left out stay as they ship.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public static Ribbons Read(IReadOnlyDictionary<ReworkStanding, string> chosen)
    {
        var reader = new EntryReader();
        var ribbons = Of(chosen);
        foreach (var (standing, colour) in ribbons.Colours)
        {
            var field = $"ribbons.{char.ToLowerInvariant(standing.ToString()[0])}{standing.ToString()[1..]}";
            if (!ReworkRules.Shipped.Colours.Contains(colour))
                reader.Add(field, "unknown", $"Ribbon: expected {string.Join(", ", ReworkRules.Shipped.Colours)}.");
            // A tree to be kept and one to be felled must not be mistaken for each other.
            else if (
                standing != ReworkStanding.ToRemove
                && colour != "none"
                && colour == ribbons.Colours[ReworkStanding.ToRemove]
            )
                reader.Add(
                    field,
                    "conflict",
                    "Ribbon: trees to remove have this colour; a tree to keep needs another."
                );
        }
        if (ribbons.Colours[ReworkStanding.ToRemove] == "none")
            reader.Add("ribbons.toRemove", "missing", "Ribbon: trees to remove need one that is seen.");
        reader.ThrowIfAny();
        return ribbons;
    }
}
