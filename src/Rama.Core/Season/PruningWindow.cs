using Rama.Core.Weather;

namespace Rama.Core.Season;

/// <summary>Days between which a planting is pruned in winter.</summary>
/// <param name="From">First day; null where any day of the winter will do.</param>
/// <param name="To">Last day.</param>
/// <remarks>
/// Common practice, no source: pome fruit up to green tip, since from then on pruning knocks buds off; cherry late
/// in winter and not before, since wounds take disease in autumn and midwinter; peach from bud swell to bloom, when
/// live wood is seen. How many days that is from green tip is an assumption.
/// </remarks>
public sealed record PruningWindow(DateOnly? From, DateOnly To)
{
    private const int LateWinterDays = 28,
        SwellDays = 14,
        ToBloomDays = 21;

    /// <summary>The window of a crop; null without an estimate of its green tip.</summary>
    /// <param name="crop">The crop.</param>
    /// <param name="tip">Its green tip.</param>
    public static PruningWindow? Of(string crop, GreenTip? tip) =>
        tip is null
            ? null
            : crop switch
            {
                "cherry" => new(tip.Day.AddDays(-LateWinterDays), tip.Day.AddDays(ToBloomDays)),
                "peach" or "apricot" or "plum" => new(tip.Day.AddDays(-SwellDays), tip.Day.AddDays(ToBloomDays)),
                _ => new(null, tip.Day),
            };
}
