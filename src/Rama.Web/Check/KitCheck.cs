using Rama.Core.Check;
using Rama.Core.Prescribe.Issue;
using Rama.Web.Crew;

namespace Rama.Web.Check;

/// <summary>What checking finished trees in the row needs.</summary>
/// <param name="Passes">Passes whose trees are checked.</param>
/// <param name="Classes">What the card asks for by trunk class; none where no card was handed out.</param>
/// <param name="Tolerance">How far off is near enough, as a share.</param>
/// <param name="ByGauge">Whether the crew works by the gauge, so that trees are checked limb by limb.</param>
/// <param name="Rows">Trees drawn to be checked, row by row.</param>
/// <param name="Checked">Trees checked already.</param>
/// <param name="LeastADay">Trees to check a day of each pruner at least.</param>
/// <param name="Believed">A count this many times the number, or so much less, is asked for twice.</param>
/// <param name="Verdict">What is said of the planting; null while nothing is.</param>
/// <param name="Hands">What is said of its crews and pruners.</param>
/// <param name="Pruners">Pruners to choose from.</param>
public sealed record KitCheck(
    IReadOnlyList<string> Passes,
    IReadOnlyList<KitAsked> Classes,
    double Tolerance,
    bool ByGauge,
    IReadOnlyList<TreeDraw> Rows,
    IReadOnlyList<KitChecked> Checked,
    int LeastADay,
    double Believed,
    ToldVerdict? Verdict,
    IReadOnlyList<KitHand> Hands,
    IReadOnlyList<TodayPerson> Pruners
);

/// <summary>What the card asks for in a trunk class.</summary>
/// <param name="Name">The class.</param>
/// <param name="FromGirthCm">Girth its trunks begin at, cm.</param>
/// <param name="ToGirthCm">Girth its trunks end at, cm.</param>
/// <param name="Number">Floral buds to leave; null where cuts do not stop on a number.</param>
/// <param name="Least">Fewest that are near enough.</param>
/// <param name="Most">Most that are near enough.</param>
/// <param name="BudsPerCm2">The gauge.</param>
public sealed record KitAsked(
    string Name,
    double? FromGirthCm,
    double? ToGirthCm,
    int? Number,
    int? Least,
    int? Most,
    double? BudsPerCm2
)
{
    internal static KitAsked Of(IssuedClass of) =>
        new(of.Name, of.FromGirthCm, of.ToGirthCm, of.Number, of.Least, of.Most, of.BudsPerCm2);
}

/// <summary>A tree that is checked already.</summary>
/// <param name="Row">Row number.</param>
/// <param name="Tree">Tree in the row.</param>
/// <param name="Pass">The pass.</param>
/// <param name="Day">Day of the check.</param>
/// <param name="Pruner">Who pruned it.</param>
/// <param name="AfterPruning">Whether it was a tree of the walk after pruning.</param>
public sealed record KitChecked(int Row, int Tree, string Pass, DateOnly Day, Guid? Pruner, bool AfterPruning);

/// <summary>What is said of a crew or a pruner.</summary>
/// <param name="Who">The crew or the pruner.</param>
/// <param name="Told">What is said.</param>
public sealed record KitHand(Guid Who, ToldVerdict Told);
