namespace Rama.Core.Passes;

/// <summary>A day in the year of a planting that windows are told by, in the order of the year.</summary>
public enum Anchor
{
    /// <summary>Leaf fall before the season: the dormant winter begins.</summary>
    LeafFallBefore,

    /// <summary>The snow is gone.</summary>
    Melt,

    /// <summary>Buds show silver, or begin to swell.</summary>
    SilverTip,

    /// <summary>Buds show green.</summary>
    GreenTip,

    /// <summary>Full bloom.</summary>
    Bloom,

    /// <summary>Petals fall.</summary>
    PetalFall,

    /// <summary>New shoots are 20 cm long and still soft.</summary>
    SoftShoots,

    /// <summary>The natural drop of fruitlets is over.</summary>
    NaturalDrop,

    /// <summary>First picking.</summary>
    HarvestBegin,

    /// <summary>Last picking.</summary>
    HarvestEnd,

    /// <summary>Leaf fall after the season.</summary>
    LeafFall,

    /// <summary>The storm season of the site begins.</summary>
    StormSeason,

    /// <summary>The hot months of the site begin.</summary>
    HotSeason,

    /// <summary>A flush is 30 to 40 cm long and has hardened.</summary>
    FlushRipe,

    /// <summary>A night cold enough to kill buds.</summary>
    ColdNight,

    /// <summary>The day on a mark of the walk.</summary>
    Mark,

    /// <summary>Fire-blight strikes were seen.</summary>
    StrikeSeen,
}

/// <summary>An anchor, and days from it.</summary>
/// <param name="Anchor">The anchor.</param>
/// <param name="Days">Days after it; before it where negative.</param>
public sealed record AnchorOffset(Anchor Anchor, int Days = 0);

/// <summary>How the day of an anchor is known.</summary>
public enum AnchorBasis
{
    /// <summary>Somebody noted it this season.</summary>
    Recorded,

    /// <summary>The weather of its site says so.</summary>
    Measured,

    /// <summary>From one noted this season and the usual days between them.</summary>
    FromRecorded,

    /// <summary>From the heat of this season on its site and the usual days between them.</summary>
    Heat,

    /// <summary>From dates of the planting's own past seasons and the usual days between them.</summary>
    Planting,

    /// <summary>Likewise, from its variety's.</summary>
    Variety,

    /// <summary>Likewise, from its crop's.</summary>
    Crop,
}

/// <summary>The day of an anchor.</summary>
/// <param name="Day">The day.</param>
/// <param name="Basis">How it is known.</param>
public sealed record AnchorDay(DateOnly Day, AnchorBasis Basis);
