using Rama.Core.Prescribe.Issue;
using Rama.Core.Prescribe.Working;
using Rama.Core.Target.Sharing;

namespace Rama.Core.Check;

/// <summary>A check held against what the crew was asked for.</summary>
/// <param name="Check">The check.</param>
/// <param name="Standing">Whether it counts, and why not.</param>
/// <param name="Class">Trunk class it belongs to; null where unknown.</param>
/// <param name="Asked">Floral buds asked for on it; null where no number is.</param>
/// <param name="ByGauge">Whether that is what the gauge says of its limbs, and not the number of its class.</param>
public sealed record CheckedTree(TreeCheck Check, CheckStanding Standing, string? Class, double? Asked, bool ByGauge)
{
    /// <summary>A count this many times what was asked, or so much less, is looked at twice.</summary>
    public const double Believed = 3;

    /// <summary>What the card of its day asks for in its class; null where it is held against none.</summary>
    internal IssuedClass? Of { get; init; }

    /// <summary>That card.</summary>
    internal IssuedPrescription? Card { get; init; }

    /// <summary>Whether it stands for its tree: a later check of it counts for nothing then.</summary>
    internal bool Stands => Standing is CheckStanding.Charted or CheckStanding.ShortBefore or CheckStanding.NoNumber;

    /// <summary>log(left ÷ asked); null where it is not charted.</summary>
    public double? Ratio =>
        Standing == CheckStanding.Charted && Asked is > 0 and var asked && Check.Left is { } left
            ? Math.Log(Math.Max(left, 0.5) / asked)
            : null;

    /// <summary>Floral buds left ÷ asked; null where either is not known.</summary>
    public double? Share => Asked is > 0 and var asked ? Check.Left / asked : null;

    /// <summary>Holds a check against a card.</summary>
    /// <param name="check">The check.</param>
    /// <param name="card">What was handed out by then; null for nothing.</param>
    /// <param name="ground">What is known of the planting.</param>
    public static CheckedTree HeldAgainst(TreeCheck check, IssuedPrescription? card, CheckGround ground)
    {
        CheckedTree Apart(CheckStanding why, IssuedClass? of = null) =>
            new(check, why, of?.Name, null, false) { Of = of, Card = card };
        if (!ground.Holds(check.Row, check.Tree))
            return Apart(CheckStanding.NoSuchTree);
        if (!ground.Passes.Contains(check.Pass))
            return Apart(CheckStanding.OtherPass);
        if (card is null)
            return Apart(CheckStanding.NoCard);
        if (ClassOf(check, card) is not { } of)
            return Apart(CheckStanding.UnknownClass);
        if (!ground.IsPruned(check))
            return Apart(CheckStanding.NotPruned, of);
        if (check.WasShort)
            return Apart(CheckStanding.ShortBefore, of);
        if (of.Number is not { } number || check.Left is null)
            return Apart(CheckStanding.NoNumber, of);
        var byGauge = GaugeOf(check, of, card);
        var asked = byGauge ?? number;
        var off = Math.Abs(Math.Log(Math.Max(check.Left.Value, 0.5) / asked));
        return new(
            check,
            off > Math.Log(Believed) && !check.IsSure ? CheckStanding.Unlikely : CheckStanding.Charted,
            of.Name,
            asked,
            byGauge is not null
        )
        {
            Of = of,
            Card = card,
        };
    }

    private static IssuedClass? ClassOf(TreeCheck check, IssuedPrescription card) =>
        card.Classes is [var only] ? only
        : check.GirthCm is { } girth
            ? card.Classes.FirstOrDefault(c => TrunkClass.Within(girth, c.FromGirthCm, c.ToGirthCm))
        : card.Classes.FirstOrDefault(c => c.Name == check.Class);

    // What the tape gives for the limbs there are, where each was measured.
    private static double? GaugeOf(TreeCheck check, IssuedClass of, IssuedPrescription card) =>
        card.Way is WayOfWorking.Gauge or WayOfWorking.Count
        && of.BudsPerCm2 is { } perCm2
        && check.Limbs.Count > 0
        && check.Limbs.All(l => l.DiameterMm is not null)
            ? check.Limbs.Sum(l => new LimbGauge(perCm2).BudsOn(l.DiameterMm!.Value))
            : null;
}

/// <summary>Whether a check counts, and why not.</summary>
public enum CheckStanding
{
    /// <summary>It counts.</summary>
    Charted,

    /// <summary>The tree was short of buds before it was cut.</summary>
    ShortBefore,

    /// <summary>No number is asked for on it.</summary>
    NoNumber,

    /// <summary>Its row is not reported pruned yet.</summary>
    NotPruned,

    /// <summary>No card had been handed out.</summary>
    NoCard,

    /// <summary>Its trunk class is not known.</summary>
    UnknownClass,

    /// <summary>Its count looks wrong; it waits for somebody to count again.</summary>
    Unlikely,

    /// <summary>The tree was checked before.</summary>
    Twice,

    /// <summary>There is no such tree in the planting.</summary>
    NoSuchTree,

    /// <summary>The planting has no such pass of cutting.</summary>
    OtherPass,
}
