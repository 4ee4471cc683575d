using Rama.Core.Explain;

namespace Rama.Core.Crew.Depth;

/// <summary>How deep each planting is pruned when the hours do not reach for all, so that most margin is
/// kept.</summary>
/// <param name="Plantings">Each planting with its depth.</param>
/// <param name="Margin">Margin kept, money.</param>
/// <param name="Hours">Hours it takes.</param>
/// <param name="Full">Margin with hours enough, money.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record DepthTrade(
    IReadOnlyList<PlantingDepth> Plantings,
    double Margin,
    double Hours,
    double Full,
    IReadOnlyList<Step> Steps
) : Calculated(Margin, "money", Steps, [])
{
    /// <summary>Chooses.</summary>
    /// <param name="choices">What each planting takes and brings at each depth.</param>
    /// <param name="hours">Hours there are.</param>
    /// <remarks>
    /// Exact: of all ways up to a planting those are kept that no other beats in both hours and margin. Source:
    /// Nemhauser and Ullmann, Discrete dynamic programming and capital allocation (1969), from memory. The trade knows
    /// no windows, skills or weather: the plan is made again after it.
    /// </remarks>
    public static DepthTrade Of(IReadOnlyList<DepthChoice> choices, double hours)
    {
        List<Way> ways = [new(0, 0, null, default)];
        foreach (var choice in choices)
        {
            List<Way> next = [];
            foreach (var way in ways)
            foreach (var option in choice.Options)
                if (way.Hours + option.Hours <= hours + 1e-9)
                    next.Add(new(way.Hours + option.Hours, way.Margin + option.Margin, way, option.Depth));
            ways = Thinned(Best(next));
        }
        List<CutDepth> depths = [];
        var kept = ways[^1];
        for (var way = kept; way.Before is not null; way = way.Before)
            depths.Insert(0, way.Depth);
        var full = choices.Sum(c => c.At(CutDepth.Full).Margin);
        return new(
            [.. choices.Zip(depths, PlantingDepth.Of)],
            kept.Margin,
            kept.Hours,
            full,
            [
                new(
                    "depth.kept",
                    "Σ margin at the depth of each planting, the most there is within the hours",
                    new("margin kept", kept.Margin, "money"),
                    [new("hours there are", hours, "h"), new("hours taken", kept.Hours, "h")],
                    Sources.Definition
                ),
                new(
                    "depth.given-up",
                    "margin at full depth − margin kept",
                    new("margin given up", full - kept.Margin, "money"),
                    [new("margin at full depth", full, "money"), new("margin kept", kept.Margin, "money")],
                    Sources.Definition
                ),
            ]
        );
    }

    // With hours rising, each brings more than all before it.
    private static List<Way> Best(List<Way> ways)
    {
        List<Way> best = [];
        foreach (var way in ways.OrderBy(w => w.Hours).ThenByDescending(w => w.Margin))
            if (best.Count == 0 || way.Margin > best[^1].Margin + 1e-9)
                best.Add(way);
        return best;
    }

    // Ways kept from planting to planting; more of them than this lie closer together than hours are known.
    private const int MostWays = 20_000;

    private static List<Way> Thinned(List<Way> ways)
    {
        if (ways.Count <= MostWays)
            return ways;
        var every = (double)(ways.Count - 1) / (MostWays - 1);
        return [.. Enumerable.Range(0, MostWays).Select(i => ways[(int)Math.Round(i * every)])];
    }

    private sealed record Way(double Hours, double Margin, Way? Before, CutDepth Depth);
}

/// <summary>How deep a planting is pruned.</summary>
public enum CutDepth
{
    /// <summary>To its number.</summary>
    Full,

    /// <summary>Structure and hazards alone.</summary>
    Structure,

    /// <summary>Hazards alone.</summary>
    Hazard,
}

/// <summary>What one depth of a planting takes and brings.</summary>
/// <param name="Depth">The depth.</param>
/// <param name="Hours">Hours.</param>
/// <param name="Margin">Margin, money.</param>
public readonly record struct DepthOption(CutDepth Depth, double Hours, double Margin);

/// <summary>What each depth of a planting takes and brings.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="Options">Its depths, full depth among them; hazards alone take no hours where nobody says.</param>
public sealed record DepthChoice(string Planting, IReadOnlyList<DepthOption> Options)
{
    internal DepthOption At(CutDepth depth) => Options.First(o => o.Depth == depth);
}

/// <summary>How deep a planting is pruned, and what that gives up.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="Depth">The depth.</param>
/// <param name="Hours">Hours it takes.</param>
/// <param name="Margin">Margin it brings, money.</param>
/// <param name="HoursSaved">Hours less than full depth takes.</param>
/// <param name="MarginLost">Margin less than full depth brings, money.</param>
/// <param name="LostPerHour">Margin given up for each hour saved, money an hour; null where none is saved.</param>
public sealed record PlantingDepth(
    string Planting,
    CutDepth Depth,
    double Hours,
    double Margin,
    double HoursSaved,
    double MarginLost,
    double? LostPerHour
)
{
    /// <summary>What a depth saves and gives up against full depth.</summary>
    /// <param name="choice">What each depth takes and brings.</param>
    /// <param name="depth">How deep.</param>
    public static PlantingDepth Of(DepthChoice choice, CutDepth depth)
    {
        var (full, at) = (choice.At(CutDepth.Full), choice.At(depth));
        var saved = full.Hours - at.Hours;
        var lost = full.Margin - at.Margin;
        return new(choice.Planting, depth, at.Hours, at.Margin, saved, lost, saved > 0 ? lost / saved : null);
    }
}
