namespace Rama.Core.Passes;

/// <summary>What a day must be like for a pass.</summary>
public enum DayCondition
{
    /// <summary>No rain from the day before to three days after: fresh wounds take infection.</summary>
    Dry,

    /// <summary>No hard freeze in the two days after it.</summary>
    NoHardFreeze,

    /// <summary>Below 30 °C, that day and the two after it: bared fruit and wood burn.</summary>
    NotHot,

    /// <summary>Wind under 10 m/s, for platforms.</summary>
    LowWind,

    /// <summary>Trees are not wet: disease goes from tree to tree.</summary>
    DryTrees,
}

/// <summary>What hands a pass needs.</summary>
public enum Hands
{
    /// <summary>Who decides on big limbs: the most skilled.</summary>
    Lead,

    /// <summary>A trained pruner.</summary>
    Pruner,

    /// <summary>Anybody shown how, without saws.</summary>
    Helper,

    /// <summary>On a ladder or a platform, trained for it.</summary>
    Height,

    /// <summary>With a chain-saw, trained for it.</summary>
    ChainSaw,

    /// <summary>Licensed to apply growth regulators and the like.</summary>
    Applicator,
}
