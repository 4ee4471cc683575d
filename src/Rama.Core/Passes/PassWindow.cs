using Rama.Core.Explain;

namespace Rama.Core.Passes;

/// <summary>When a pass is done, as its definition says.</summary>
/// <param name="From">It opens with the last of these.</param>
/// <param name="To">It closes with the first of these.</param>
/// <param name="AfterPass">Passes it follows row by row, whichever of them the planting has; none where it follows
/// none.</param>
/// <param name="WithinDays">Days after that pass it is due within.</param>
public sealed record WindowRule(
    IReadOnlyList<AnchorOffset> From,
    IReadOnlyList<AnchorOffset> To,
    IReadOnlyList<string> AfterPass,
    int? WithinDays
);

/// <summary>The days between which a pass is done in one planting and season.</summary>
/// <param name="From">First day; null where an anchor is not known.</param>
/// <param name="To">Last day; null where an anchor is not known.</param>
/// <param name="Basis">How the weaker of the two is known.</param>
/// <param name="Unknown">Anchors without a day.</param>
/// <param name="NeverOpens">Whether it would close before it opens.</param>
public sealed record PassWindow(
    DateOnly? From,
    DateOnly? To,
    AnchorBasis? Basis,
    IReadOnlyList<Anchor> Unknown,
    bool NeverOpens
)
{
    /// <summary>The days of a rule.</summary>
    /// <param name="rule">The rule.</param>
    /// <param name="days">The anchors of the planting's season.</param>
    /// <param name="followed">Window of the pass it follows; null where it follows none.</param>
    public static PassWindow Of(WindowRule rule, AnchorDays days, PassWindow? followed = null)
    {
        List<Anchor> unknown = [];
        List<AnchorBasis> bases = [];
        List<DateOnly> Days(IReadOnlyList<AnchorOffset> offsets)
        {
            List<DateOnly> found = [];
            foreach (var offset in offsets)
                if (days.Find(offset.Anchor) is { } anchor)
                {
                    bases.Add(anchor.Basis);
                    found.Add(anchor.Day.AddDays(offset.Days));
                }
                else if (!unknown.Contains(offset.Anchor))
                {
                    unknown.Add(offset.Anchor);
                }
            return found;
        }
        var opens = Days(rule.From);
        var closes = Days(rule.To);
        if (followed is not null)
        {
            if (followed.From is { } begun)
                opens.Add(begun);
            if (followed.To is { } ended && rule.WithinDays is { } within)
                closes.Add(ended.AddDays(within));
            unknown.AddRange(followed.Unknown.Except(unknown).ToList());
        }
        DateOnly? from = unknown.Count == 0 && opens.Count > 0 ? opens.Max() : null;
        DateOnly? to = unknown.Count == 0 && closes.Count > 0 ? closes.Min() : null;
        var never = from > to;
        return new(from, to, bases.Count == 0 ? followed?.Basis : bases.Max(), unknown, never);
    }

    /// <summary>Whether a day lies in it; null where it is not known.</summary>
    public bool? Holds(DateOnly day) => From is null || To is null ? null : !NeverOpens && day >= From && day <= To;

    /// <summary>How to give what is missing, or why it never opens; null where neither.</summary>
    public Notice? Says() =>
        Unknown.Count > 0 ? Missing(Unknown[0])
        : NeverOpens
            ? new(
                "pass.never",
                "This year it would close before it opens. It waits for another season, or for its other window."
            )
        : null;

    private static Notice Missing(Anchor anchor) =>
        anchor switch
        {
            Anchor.Melt => new("pass.unknown.melt", "Waits for the melt: note its day."),
            Anchor.StormSeason or Anchor.HotSeason => new(
                "pass.unknown.site",
                "No estimate: tell when storms and the hot months begin on the site."
            ),
            Anchor.FlushRipe => new("pass.unknown.flush", "Waits for a ripe flush: note its day."),
            Anchor.ColdNight => new("pass.unknown.cold", "Waits for a night cold enough to kill buds."),
            Anchor.Mark => new("pass.unknown.mark", "Waits for the day on the mark."),
            Anchor.StrikeSeen => new("pass.unknown.strike", "Waits for the day strikes are seen: note it."),
            _ => new(
                "pass.unknown.green-tip",
                "No estimate: note the day of green tip in a past season, or that of this one."
            ),
        };
}
