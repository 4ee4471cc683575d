using Rama.Core.Explain;
using Rama.Core.Prescribe.Issue;

namespace Rama.Core.Check;

/// <summary>What the checks of a planting say of its pruning.</summary>
/// <param name="All">Of the planting as a whole.</param>
/// <param name="Crews">Of each crew.</param>
/// <param name="Pruners">Of each pruner.</param>
/// <param name="Classes">Left against asked by trunk class.</param>
/// <param name="Trees">The checks, in the order they were made.</param>
/// <param name="Tolerance">How far off is near enough by the card in hand, as a share; 0 before one.</param>
/// <param name="Amounts">Of trees no number is asked for on; null without any.</param>
/// <param name="Effect">What it does to the crop; null while nothing is said, or trees come out as asked.</param>
/// <param name="Rest">What the trees still to be pruned would have to average; null where it is not asked.</param>
/// <param name="AfterPruning">What the walk after pruning says; null without one.</param>
/// <param name="Warnings">Checks set apart, and why.</param>
public sealed record PlantingChecks(
    CutVerdict All,
    IReadOnlyList<CheckedHand> Crews,
    IReadOnlyList<CheckedHand> Pruners,
    IReadOnlyList<CheckedClass> Classes,
    IReadOnlyList<CheckedTree> Trees,
    double Tolerance,
    AmountsVerdict? Amounts,
    BlockEffect? Effect,
    RestOfBlock? Rest,
    LeftAfterPruning? AfterPruning,
    IReadOnlyList<Notice> Warnings
)
{
    /// <summary>Says what checks say.</summary>
    /// <param name="checks">The checks in the order they were made, each with when.</param>
    /// <param name="cards">What was handed out, the earliest first, each with when.</param>
    /// <param name="terms">What is known of the planting.</param>
    /// <remarks>
    /// A tree is held against the card its crew had when it was checked, so that a new target judges nobody by what was
    /// not asked yet. Of two checks of one tree the first counts: a correction takes its place, a second look does not.
    /// </remarks>
    public static PlantingChecks Of(
        IReadOnlyList<(DateTimeOffset At, TreeCheck Check)> checks,
        IReadOnlyList<(DateTimeOffset At, IssuedPrescription Card)> cards,
        CheckTerms terms
    )
    {
        HashSet<(int, int, string, bool)> seen = [];
        List<CheckedTree> trees =
        [
            .. checks.Select(c =>
            {
                var card = cards.LastOrDefault(i => WasOut(i.At, c.At, c.Check.Day)).Card;
                var tree = CheckedTree.HeldAgainst(c.Check, card, terms.Ground);
                // One that waits to be counted again, or told rightly, does not stand in the way of that.
                return !tree.Stands || seen.Add((c.Check.Row, c.Check.Tree, c.Check.Pass, c.Check.AfterPruning))
                    ? tree
                    : tree with
                    {
                        Standing = CheckStanding.Twice,
                    };
            }),
        ];
        var drawn = trees.Where(t => !t.Check.AfterPruning).ToList();
        var charted = drawn.Where(t => t.Ratio is not null).ToList();
        var spread = CutSpread.Of(
            charted.GroupBy(t => t.Check.Pruner ?? t.Check.Crew).Select(g => (IReadOnlyList<double>)Ratios(g))
        );
        var card = cards.Count == 0 ? null : cards[^1].Card;
        var tolerance = card?.Tolerance ?? 0;
        CutVerdict Judge(IEnumerable<CheckedTree> of)
        {
            List<CheckedTree> mine = [.. of];
            var limbs = mine.Select(t => t.Check.LimbsLeft).OfType<double>().ToList();
            return CutVerdict.Of(
                Ratios(mine),
                spread,
                tolerance,
                card is null ? null : AskedOfTree.Of(card, limbs.Count >= CutVerdict.Fewest ? limbs.Average() : null)
            );
        }
        IReadOnlyList<CheckedHand> By(Func<CheckedTree, Guid?> who) =>
            [
                .. charted
                    .Where(t => who(t) is not null)
                    .GroupBy(t => who(t)!.Value)
                    .Select(g => (Who: g.Key, Verdict: Judge(g)))
                    .Select(h => new CheckedHand(h.Who, h.Verdict, Effect(h.Verdict))),
            ];
        // What is said of a hand is said of the trees it cuts.
        CropEffect? Effect(CutVerdict verdict) =>
            verdict.IsAgainst && card is not null && AskedOfTree.Of(card, null) is { } asked
                ? terms.EffectOf(asked.Buds, asked.Buds * (1 + verdict.Off), spread)
                : null;
        var all = Judge(charted);
        var now = Effect(all);
        // What stands is what all trees checked say; how it goes on, the latest.
        var sofar = now is null ? 0 : CutVerdict.OffOf(Ratios(charted), spread);
        var rest =
            now is not null && terms.Done is > 0 and < 1 && terms.BudsWanted is { } wanted
                ? RestOfBlock.Of(
                    wanted,
                    // What each was asked for may have changed since: it stands with what it was left with.
                    charted.Average(t => t.Share!.Value * (AskedOfTree.Of(t.Card!, null)?.Buds ?? wanted)),
                    terms.Done,
                    tolerance
                )
                : null;
        return new(
            all,
            By(t => t.Check.Crew),
            By(t => t.Check.Pruner),
            CheckedClass.AllOf(charted, card),
            trees,
            tolerance,
            AmountsVerdict.Of(drawn.Where(t => t.Standing == CheckStanding.NoNumber).ToList()),
            now is null || AskedOfTree.Of(card!, null) is not { } tree
                ? null
                : BlockEffect.Of(now, terms.EffectOf(tree.Buds, tree.Buds * (1 + sofar), spread)!, terms),
            rest,
            LeftAfterPruning.Of(
                [.. trees.Where(t => t.Check.AfterPruning && t.Standing == CheckStanding.Charted)],
                card,
                terms.CrewOfRow
            ),
            SetApart(trees)
        );
    }

    // By the clock; where a check was typed in days later, or the clock of a phone is wrong, by its day.
    private static bool WasOut(DateTimeOffset card, DateTimeOffset check, DateOnly day) =>
        Math.Abs(DateOnly.FromDateTime(check.UtcDateTime).DayNumber - day.DayNumber) <= 1
            ? card <= check
            : DateOnly.FromDateTime(card.UtcDateTime) <= day;

    private static double[] Ratios(IEnumerable<CheckedTree> trees) => [.. trees.Select(t => t.Ratio).OfType<double>()];

    private static IReadOnlyList<Notice> SetApart(IReadOnlyList<CheckedTree> trees) =>
        [
            .. trees
                .Where(t => t.Standing is not (CheckStanding.Charted or CheckStanding.NoNumber))
                .GroupBy(t => t.Standing)
                .OrderBy(g => g.Key)
                .Select(g => Apart(g.Key, g.First().Check, g.Count())),
        ];

    private static Notice Apart(CheckStanding why, TreeCheck first, int trees)
    {
        var others = trees > 1 ? $" and {trees - 1} more" : "";
        var tree = $"Row {first.Row}, tree {first.Tree}{others}";
        Figure[] figures = [new("row", first.Row, "1"), new("tree", first.Tree, "1"), new("trees", trees, "1")];
        return why switch
        {
            CheckStanding.ShortBefore => new(
                "check.short-before",
                $"{tree}: short of buds before anybody cut. Noted apart, nobody's mistake.",
                figures
            ),
            CheckStanding.NotPruned => new(
                "check.not-pruned",
                $"{tree}: its row is not reported pruned yet. It counts once it is.",
                figures
            ),
            CheckStanding.NoCard => new(
                "check.no-card",
                $"{tree}: no card was handed out by then, so that nothing was asked for.",
                figures
            ),
            CheckStanding.UnknownClass => new(
                "check.unknown-class",
                $"{tree}: its trunk class is not known. Measure its girth.",
                figures
            ),
            CheckStanding.Unlikely => new(
                "check.unlikely",
                $"{tree}: three times the number, or a third of it. Count again, and say that it stands.",
                figures
            ),
            CheckStanding.Twice => new("check.twice", $"{tree}: checked before. The first check counts.", figures),
            CheckStanding.NoSuchTree => new(
                "check.no-tree",
                $"{tree}: there is no such tree in this planting. Was it another one?",
                figures
            ),
            _ => new("check.other-pass", $"{tree}: checked of a pass this planting does not have.", figures),
        };
    }
}

/// <summary>What is said of a crew or a pruner.</summary>
/// <param name="Who">The crew or the pruner.</param>
/// <param name="Verdict">What is said.</param>
/// <param name="Effect">What it does to the crop of the trees cut; null where nothing is said against them.</param>
public sealed record CheckedHand(Guid Who, CutVerdict Verdict, CropEffect? Effect);
