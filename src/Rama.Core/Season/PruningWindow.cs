using Rama.Core.Passes;
using Rama.Core.Weather;

namespace Rama.Core.Season;

/// <summary>
/// Days between which a planting is pruned in winter: the window of its winter pass, or of the last of two.
/// </summary>
/// <param name="From">First day.</param>
/// <param name="To">Last day.</param>
public sealed record PruningWindow(DateOnly? From, DateOnly To)
{
    /// <summary>The window of a crop; null without an estimate of its green tip.</summary>
    /// <param name="crop">The crop.</param>
    /// <param name="tip">Its green tip.</param>
    /// <param name="twoPasses">Whether the winter is pruned in two passes.</param>
    /// <param name="noted">Days noted this season.</param>
    public static PruningWindow? Of(
        string crop,
        GreenTip? tip,
        bool twoPasses = false,
        IReadOnlyDictionary<Anchor, DateOnly>? noted = null
    )
    {
        var days = AnchorDays.Of(crop, tip, noted);
        HashSet<string> facts = [crop, "cuts"];
        if (crop is "apple" or "pear")
            facts.Add("pome");
        if (twoPasses)
            facts.Add("twoPasses");
        return
            PassDefinition.All.LastOrDefault(p => p is { IsWinter: true, CarriesSteps: true } && p.IsFor(facts))
                is { } pass
            && PassWindow.Of(pass.Window, days) is { To: { } to } window
            ? new(window.From, to)
            : null;
    }
}
