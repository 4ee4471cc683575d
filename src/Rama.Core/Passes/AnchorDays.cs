using Rama.Core.Explain;
using Rama.Core.Weather;

namespace Rama.Core.Passes;

/// <summary>The days of the anchors of one planting and season: noted ones, and from them the expected ones.</summary>
/// <remarks>
/// An anchor nobody noted lies its usual days after the nearest noted one before it in the year, else before one noted
/// within two months after it, else from the expected green tip. Seasons of the south need no rule of their own: all
/// days hang on days that were noted there. Events such as a cold night are never expected.
/// </remarks>
public sealed class AnchorDays
{
    private static readonly IReadOnlyDictionary<string, Phenology> Usual = DataFile
        .Read<PhenologyFile>("Passes/phenology.json")
        .Crops;

    // Days within which an earlier day of the year moves with a later one that was noted: assumption.
    private const int SameSpring = 60;

    private readonly IReadOnlyDictionary<Anchor, DateOnly> _noted;
    private readonly IReadOnlyDictionary<Anchor, DateOnly> _events;
    private readonly GreenTip? _tip;
    private readonly Phenology? _usual;

    private AnchorDays(
        IReadOnlyDictionary<Anchor, DateOnly> noted,
        IReadOnlyDictionary<Anchor, DateOnly> events,
        GreenTip? tip,
        Phenology? usual
    ) => (_noted, _events, _tip, _usual) = (noted, events, tip, usual);

    /// <summary>The days of a planting's season.</summary>
    /// <param name="crop">Its crop.</param>
    /// <param name="tip">Its expected green tip; null without an estimate.</param>
    /// <param name="noted">Days noted this season.</param>
    /// <param name="events">Days its site tells: of its climate, or measured there.</param>
    public static AnchorDays Of(
        string crop,
        GreenTip? tip,
        IReadOnlyDictionary<Anchor, DateOnly>? noted = null,
        IReadOnlyDictionary<Anchor, DateOnly>? events = null
    ) =>
        new(
            noted ?? new Dictionary<Anchor, DateOnly>(),
            events ?? new Dictionary<Anchor, DateOnly>(),
            tip,
            Usual.GetValueOrDefault(crop)
        );

    /// <summary>Usual days from green tip to an anchor; null where a crop has none, and for events.</summary>
    /// <param name="crop">The crop.</param>
    /// <param name="anchor">The anchor.</param>
    public static int? UsualDays(string crop, Anchor anchor) => Usual.GetValueOrDefault(crop)?.Days(anchor);

    /// <summary>The day of an anchor; null where it is not known and cannot be expected.</summary>
    public AnchorDay? Find(Anchor anchor)
    {
        if (_noted.TryGetValue(anchor, out var day))
            return new(day, AnchorBasis.Recorded);
        if (_events.TryGetValue(anchor, out var told))
            return new(told, AnchorBasis.Measured);
        if (_usual?.Days(anchor) is not { } usual)
            return null;
        var known = _noted
            .Select(n => (n.Value, Days: _usual.Days(n.Key)))
            .Where(n => n.Days is not null)
            .OrderBy(n => n.Days > usual)
            .ThenBy(n => Math.Abs(n.Days!.Value - usual))
            .ToList();
        // A late spring does not move the autumn before it.
        var isOfBefore = known.Count > 0 && known[0].Days > usual + SameSpring;
        if (known.Count > 0 && !(isOfBefore && _tip is not null))
            return new(known[0].Value.AddDays(usual - known[0].Days!.Value), AnchorBasis.FromRecorded);
        return _tip is null
            ? null
            : new(
                _tip.Day.AddDays(usual),
                _tip.Basis switch
                {
                    GreenTipBasis.Heat => AnchorBasis.Heat,
                    GreenTipBasis.Planting => AnchorBasis.Planting,
                    GreenTipBasis.Variety => AnchorBasis.Variety,
                    _ => AnchorBasis.Crop,
                }
            );
    }

    private sealed record PhenologyFile(IReadOnlyDictionary<string, Phenology> Crops);
}

/// <summary>Usual days of a crop's year, counted from green tip.</summary>
/// <param name="SilverTip">Silver tip or bud swell.</param>
/// <param name="Bloom">Full bloom.</param>
/// <param name="PetalFall">Petal fall.</param>
/// <param name="SoftShoots">Shoots of 20 cm.</param>
/// <param name="NaturalDrop">End of the natural drop.</param>
/// <param name="HarvestBegin">First picking of a middling variety.</param>
/// <param name="HarvestEnd">Last picking.</param>
/// <param name="LeafFall">Leaf fall.</param>
/// <param name="Source">Where they come from.</param>
public sealed record Phenology(
    int SilverTip,
    int Bloom,
    int PetalFall,
    int SoftShoots,
    int NaturalDrop,
    int HarvestBegin,
    int HarvestEnd,
    int LeafFall,
    string Source
)
{
    private const int Year = 365;

    /// <summary>Days from green tip; null for what depends on the site or happens.</summary>
    public int? Days(Anchor anchor) =>
        anchor switch
        {
            Anchor.LeafFallBefore => LeafFall - Year,
            Anchor.SilverTip => SilverTip,
            Anchor.GreenTip => 0,
            Anchor.Bloom => Bloom,
            Anchor.PetalFall => PetalFall,
            Anchor.SoftShoots => SoftShoots,
            Anchor.NaturalDrop => NaturalDrop,
            Anchor.HarvestBegin => HarvestBegin,
            Anchor.HarvestEnd => HarvestEnd,
            Anchor.LeafFall => LeafFall,
            _ => null,
        };
}
