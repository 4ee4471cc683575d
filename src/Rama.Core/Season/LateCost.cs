using Rama.Core.Explain;
using Rama.Core.Passes;

namespace Rama.Core.Season;

/// <summary>What pruning after green tip costs: floral buds knocked off, and more to leave for them.</summary>
/// <param name="Share">Share of the floral buds knocked off.</param>
/// <param name="LeaveTimes">What to leave instead, times the number; 1 in time.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What it means.</param>
public sealed record LateCost(
    double Share,
    double LeaveTimes,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(Share, "share", Steps, Warnings)
{
    private const double AtGreenTip = 0.02,
        AtPink = 0.15;

    // Pink lies this much of the way from green tip to bloom.
    private const double PinkAt = 0.8;

    /// <summary>
    /// The cost of pruning a planting on a day; null before green tip, without an estimate, and for stone fruit, which
    /// is pruned up to bloom.
    /// </summary>
    /// <param name="day">The day.</param>
    /// <param name="crop">Its crop.</param>
    /// <param name="days">Days of its year.</param>
    public static LateCost? Of(DateOnly day, string crop, AnchorDays days) =>
        CropKinds.IsPome(crop)
        && days.Find(Anchor.GreenTip) is { } tip
        && days.Find(Anchor.Bloom) is { } bloom
        && day >= tip.Day
            ? Of(day, tip.Day, bloom.Day)
            : null;

    /// <summary>The cost of pruning on a day.</summary>
    /// <param name="day">The day.</param>
    /// <param name="greenTip">Green tip of the planting.</param>
    /// <param name="bloom">Its full bloom, after green tip.</param>
    /// <remarks>
    /// 2 % at green tip rising linearly to 15 % at pink and constant after: assumption, handbook of the trade; pink at
    /// four fifths of the way to bloom: assumption.
    /// </remarks>
    public static LateCost Of(DateOnly day, DateOnly greenTip, DateOnly bloom)
    {
        var days = day.DayNumber - greenTip.DayNumber;
        var toPink = Math.Max(1, (bloom.DayNumber - greenTip.DayNumber) * PinkAt);
        var share = days < 0 ? 0 : AtGreenTip + (AtPink - AtGreenTip) * Math.Min(1, days / toPink);
        var times = 1 / (1 - share);
        Figure knocked = new("buds knocked off", share, "share");
        return new(
            share,
            times,
            [
                new(
                    "late.share",
                    "nothing before green tip, 2 % on it, rising to 15 % at pink",
                    knocked,
                    [new("days after green tip", Math.Max(0, days), "day"), new("days to pink", toPink, "day")],
                    Sources.Assumption
                ),
                new(
                    "late.leave",
                    "1 ÷ (1 − buds knocked off)",
                    new("times the number to leave", times, "1"),
                    [knocked],
                    Sources.Definition
                ),
            ],
            share == 0
                ? []
                :
                [
                    new(
                        "late.leave",
                        $"Green tip is past: about {share * 100:0} % of the buds are knocked off by working in them. "
                            + $"Leave {(times - 1) * 100:0} % more than the card says.",
                        [knocked, new("more to leave", times - 1, "share")]
                    ),
                ]
        );
    }
}

/// <summary>A day to prune on and the planting's green tip and bloom, as typed.</summary>
public sealed record LateCostEntry
{
    /// <summary>Day of the work.</summary>
    public DateOnly? Day { get; init; }

    /// <summary>Green tip.</summary>
    public DateOnly? GreenTip { get; init; }

    /// <summary>Full bloom; the crop's usual days after green tip when left out.</summary>
    public DateOnly? Bloom { get; init; }

    /// <summary>Crop; apple when left out.</summary>
    public string? Crop { get; init; }

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public LateCost Calculate()
    {
        var reader = new EntryReader();
        if (!CropKinds.IsPome(Crop ?? "apple"))
            reader.Add("crop", "unknown", "Crop: what a late prune costs is known of apple and pear only.");
        if (Day is null)
            reader.Add("day", "missing", "Day: please fill this in.");
        if (GreenTip is null)
            reader.Add("greenTip", "missing", "Green tip: please fill this in.");
        var usual = AnchorDays.UsualDays(Crop ?? "apple", Anchor.Bloom);
        if (Bloom <= GreenTip)
            reader.Add("bloom", "conflict", "Full bloom: expected after green tip.");
        reader.ThrowIfAny();
        return LateCost.Of(Day!.Value, GreenTip!.Value, Bloom ?? GreenTip.Value.AddDays(usual!.Value));
    }
}
