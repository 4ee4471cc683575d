using Rama.Core.Passes;

namespace Rama.Core.Systems;

/// <summary>What can be wrong with any pass of a pack.</summary>
internal static class PassFaults
{
    private const int MostAnchors = 4,
        MostDays = 366,
        MostTimes = 60;

    public static IEnumerable<string> Of(
        string name,
        string id,
        IReadOnlyList<AnchorOffset> from,
        IReadOnlyList<AnchorOffset> to,
        IReadOnlyList<Hands> hands,
        int? everyDays,
        int? times
    )
    {
        if (PassDefinition.Find(id) is not null)
            yield return $"{name}: all systems share one of that id";
        foreach (var (end, anchors) in new[] { ("from", from), ("to", to) })
            if (anchors.Count is 0 or > MostAnchors || anchors.Any(a => Math.Abs(a.Days) > MostDays))
                yield return $"{name}: {end} expects 1 to {MostAnchors} days of the year, each at most "
                    + $"{MostDays} days off";
        if (hands.Count is 0 or > MostAnchors)
            yield return $"{name}: hands expects 1 to {MostAnchors}";
        if (everyDays is < 1 or > MostDays)
            yield return $"{name}: everyDays must lie between 1 and {MostDays}";
        if (times is < 1 or > MostTimes || times is not null && everyDays is null)
            yield return $"{name}: times must lie between 1 and {MostTimes}, and needs everyDays";
    }
}
