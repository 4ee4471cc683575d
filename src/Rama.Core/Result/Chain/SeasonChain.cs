using Rama.Core.Explain;

namespace Rama.Core.Result.Chain;

/// <summary>How a season went from what was wanted to what came, step by step.</summary>
/// <param name="Stages">What a mean tree carried at each step, wanted and come.</param>
/// <param name="Links">What each step made of it; steps not counted apart are one link.</param>
/// <param name="Whole">What came ÷ what was wanted at the last step known of both; the product of the links.</param>
/// <param name="Most">Place of the link that made most of the miss; null where there is no miss to speak of, or no crop
/// yet.</param>
/// <param name="Sentence">What made the difference.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What to know before relying on it.</param>
public sealed record SeasonChain(
    IReadOnlyList<ChainStage> Stages,
    IReadOnlyList<ChainLink> Links,
    double Whole,
    int? Most,
    Notice Sentence,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(Whole, "share", Steps, Warnings)
{
    /// <summary>A crop this near to the one wanted has no miss to share out.</summary>
    public const double Near = 0.05;

    // What pulled the other way is told where it made up for this much.
    private const double WorthTelling = 0.2;

    /// <summary>
    /// The factor of a link is what came ÷ what was wanted behind it over the same before it; its share of the miss
    /// log(factor) ÷ log(product of all). Where more set than was wanted, what thinning took off of it counts for
    /// neither.
    /// </summary>
    /// <param name="wanted">What was wanted.</param>
    /// <param name="came">What came.</param>
    /// <param name="halfWidths">Half the 95 % interval of what was counted, by the step it tells of; steps that lack in
    /// it are taken as they are told.</param>
    /// <returns>Null where no step is known of both.</returns>
    /// <remarks>
    /// Counts are taken as independent: their relative half widths add up in squares. Source: derived, handbook of the
    /// trade 8.1.
    /// </remarks>
    public static SeasonChain? Of(
        ChainFigures wanted,
        ChainFigures came,
        IReadOnlyDictionary<LinkKind, double>? halfWidths = null
    )
    {
        double? Half(LinkKind link) => halfWidths?.TryGetValue(link, out var half) is true ? half : null;
        List<ChainStage> stages =
        [
            .. Enum.GetValues<LinkKind>()
                .Select(l => new ChainStage(l, wanted.At(l), came.At(l), Half(l), ChainStage.UnitOf(l))),
        ];
        var known = stages.Where(s => s is { Wanted: > 0, Came: not null }).ToList();
        // Where something came later, a nought before it was a slip.
        known.RemoveAll(s => s.Came == 0 && known.Any(later => later.Link > s.Link && later.Came > 0));
        if (known.Count == 0)
            return null;
        var whole = known[^1].Came!.Value / known[^1].Wanted!.Value;
        // Before there are fruit nothing is missed yet.
        var isOver = known[^1].Link >= LinkKind.Thinning;
        var misses = isOver && Math.Abs(whole - 1) > Near && whole > 0;
        List<ChainLink> links = [];
        for (var i = 0; i < known.Count; i++)
            if (LinkOf(i == 0 ? null : known[i - 1], known[i]) is { } link)
                links.Add(link);
        if (misses)
            links = [.. links.Zip(SharesOf(links, whole), (link, share) => link with { Share = share })];
        int? most = misses ? links.Index().MaxBy(l => l.Item.Share).Index : null;
        return new(
            stages,
            links,
            whole,
            most,
            isOver ? SentenceOf(whole, links, most) : SoFar(whole, known[^1].Link),
            [
                new(
                    "chain.whole",
                    "what came ÷ what was wanted",
                    new("came of what was wanted", whole, "share"),
                    [
                        new("what came", known[^1].Came!.Value, known[^1].Unit),
                        new("what was wanted", known[^1].Wanted!.Value, known[^1].Unit),
                    ],
                    Sources.Definition
                ),
            ],
            WarningsOf(links, most)
        );
    }

    // More set than wanted is there to be thinned off: what thinning took of it is neither its fault nor won before it.
    private static List<double> SharesOf(IReadOnlyList<ChainLink> links, double whole)
    {
        List<double> logs = [.. links.Select(l => Math.Log(l.Factor))];
        var thinning = links.Index().FirstOrDefault(l => l.Item.Kinds is [LinkKind.Thinning]).Index;
        var before = logs.Take(thinning).Sum();
        var back = Math.Max(0, Math.Min(before, -logs[thinning]));
        if (back > 0)
        {
            var won = logs.Take(thinning).Where(l => l > 0).Sum();
            for (var i = 0; i < thinning; i++)
                if (logs[i] > 0)
                    logs[i] *= 1 - back / won;
            logs[thinning] += back;
        }
        return [.. logs.Select(l => l / Math.Log(whole))];
    }

    // Nothing came through where nothing came before, and of that nothing can be told.
    private static ChainLink? LinkOf(ChainStage? before, ChainStage at)
    {
        var came = at.Came!.Value / at.Wanted!.Value;
        var factor = before is null ? came : came / (before.Came!.Value / before.Wanted!.Value);
        if (!double.IsFinite(factor))
            return null;
        double? spread =
            Relative(at) is null && Relative(before) is null
                ? null
                : Math.Exp(Math.Sqrt(Squared(Relative(at)) + Squared(Relative(before))));
        var first = before is null ? LinkKind.Pruning : before.Link + 1;
        List<LinkKind> kinds = [.. Enum.GetValues<LinkKind>().Where(k => k >= first && k <= at.Link)];
        List<Figure> inputs =
        [
            new("came, behind it", at.Came.Value, at.Unit),
            new("wanted, behind it", at.Wanted.Value, at.Unit),
        ];
        if (before is not null)
            inputs.AddRange([
                new("came, before it", before.Came!.Value, before.Unit),
                new("wanted, before it", before.Wanted!.Value, before.Unit),
            ]);
        return new(
            kinds,
            Joined(kinds),
            factor,
            factor / spread,
            factor * spread,
            null,
            [
                new(
                    "chain.link",
                    before is null ? "came ÷ wanted" : "(came ÷ wanted behind it) ÷ (came ÷ wanted before it)",
                    new("came through of what was expected", factor, "share"),
                    inputs,
                    Sources.Definition
                ),
            ]
        );
    }

    private static double? Relative(ChainStage? of) =>
        of is { HalfWidth: { } half, Came: > 0 and var came } ? half / came : null;

    private static double Squared(double? of) => (of ?? 0) * (of ?? 0);

    private static string Joined(IReadOnlyList<LinkKind> kinds) =>
        kinds.Count == 1
            ? ChainLink.NameOf(kinds[0])
            : string.Join(", ", kinds.SkipLast(1).Select(ChainLink.NameOf)) + " and " + ChainLink.NameOf(kinds[^1]);

    private static Notice SentenceOf(double whole, IReadOnlyList<ChainLink> links, int? most)
    {
        Figure came = new("came of what was wanted", whole, "share");
        if (whole <= 0)
            return new("chain.nothing", "Nothing came of the crop wanted.", came);
        if (most is not { } place)
            return new("chain.as-wanted", $"The crop came to {Percent(whole)} of what was wanted: as planned.", came);
        var made = links[place];
        var way = whole < 1 ? "short" : "over";
        var message =
            $"The crop came to {Percent(whole)} of what was wanted. What made the difference was {made.Name}: "
            + $"{Percent(made.Factor)} of what was expected";
        Figure of = new(made.Name, made.Factor, "share");
        return links.MinBy(l => l.Share) is { Share: < -WorthTelling } back
            ? new(
                $"chain.{way}-but",
                $"{message}; {back.Name}, at {Percent(back.Factor)}, "
                    + (whole < 1 ? "made up for some of it." : "took some of it back."),
                came,
                of,
                new(back.Name, back.Factor, "share")
            )
            : new($"chain.{way}", $"{message}.", came, of);
    }

    private static Notice SoFar(double whole, LinkKind at)
    {
        var what = at switch
        {
            LinkKind.Pruning => "buds",
            LinkKind.Bloom => "clusters in bloom",
            _ => "clusters set",
        };
        return new(
            "chain.so-far",
            $"So far {Percent(whole)} of the {what} wanted; the crop is not told yet.",
            new Figure(what, whole, "share")
        );
    }

    private static List<Notice> WarningsOf(IReadOnlyList<ChainLink> links, int? most)
    {
        List<Notice> warnings = [];
        if (most is { } place && links[place] is { IsTold: false } unsure)
            warnings.Add(
                new(
                    "chain.unsure",
                    $"By the trees counted {unsure.Name} may as well have gone as planned "
                        + $"({Percent(unsure.Low!.Value)} to {Percent(unsure.High!.Value)}).",
                    new(unsure.Name, unsure.Low!.Value, "share"),
                    new(unsure.Name, unsure.High!.Value, "share")
                )
            );
        if (most is { } at && links[at].Kinds.Count > 1)
            warnings.Add(
                new(
                    "chain.together",
                    "Which of them it was nobody can tell: count clusters in bloom and after the drop next year.",
                    new Figure(links[at].Name, links[at].Kinds.Count, "1")
                )
            );
        return warnings;
    }

    private static string Percent(double share) => $"{share * 100:0} %";
}
