using Rama.Core.Explain;

namespace Rama.Core.Target.Insurance;

/// <summary>What one school says, and what following it comes to.</summary>
/// <param name="School">School.</param>
/// <param name="Factor">Buds to leave per fruit wanted, known losses included.</param>
/// <param name="BudsPerTree">Buds to leave per tree.</param>
/// <param name="ReachedIn">Share of the years in which they reach the crop; null where nothing is known of the
/// set.</param>
/// <param name="FruitletsToThin">Fruitlets per tree to thin off in an average year; negative where the crop falls
/// short.</param>
/// <param name="ClustersToVisit">Setting clusters per tree in an average year.</param>
/// <param name="FruitShort">Fruit per tree missing in the mean of all years.</param>
/// <param name="Meaning">The same in a sentence.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record SchoolAnswer(
    School School,
    double Factor,
    double BudsPerTree,
    double? ReachedIn,
    double? FruitletsToThin,
    double? ClustersToVisit,
    double? FruitShort,
    Notice? Meaning,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(BudsPerTree, "bud/tree", Steps, Warnings)
{
    /// <summary>Above this factor more than three buds stand for each fruit.</summary>
    public const double Extreme = 3.0;

    private const double UsualLow = 1.5,
        UsualHigh = 2.0;

    // A distribution over so few years cannot tell 99 from 97 %.
    private const double NearlyAlways = 0.95;

    /// <summary>What a school says; null where it lacks what it needs.</summary>
    /// <param name="school">School.</param>
    /// <param name="fruitPerTree">Fruit wanted per tree.</param>
    /// <param name="terms">All that the schools need.</param>
    public static SchoolAnswer? Of(School school, double fruitPerTree, InsuranceTerms terms)
    {
        if (terms.FactorOf(school) is not { } before)
            return null;
        var (kept, outcome) = (terms.Losses.Kept, terms.Outcome);
        var factor = before / kept;
        var buds = fruitPerTree * factor;
        List<Step> steps = [FactorStep(school, before, terms)];
        Figure beforeFigure = steps[0].Result,
            fruitFigure = new("fruit per tree", fruitPerTree, "fruit/tree"),
            budsFigure = new("buds to leave", buds, "bud/tree");
        Figure keptFigure = new("left by known losses", kept, "share");
        if (kept < 1)
        {
            steps.Add(
                new(
                    "bud-factor.kept",
                    "(1 − winter kill) × (1 − frost) × (1 − knocked off)",
                    keptFigure,
                    [
                        new("winter kill", terms.Losses.WinterKill, "share"),
                        new("frost", terms.Losses.Frost, "share"),
                        new("knocked off", terms.Losses.Mechanical, "share"),
                    ],
                    Sources.Definition
                )
            );
            steps.Add(
                new(
                    "bud-factor.buds",
                    "fruit per tree × bud factor ÷ left by known losses",
                    budsFigure,
                    [fruitFigure, beforeFigure, keptFigure],
                    Sources.Definition
                )
            );
        }
        else
        {
            steps.Add(
                new(
                    "bud-factor.buds",
                    "fruit per tree × bud factor",
                    budsFigure,
                    [fruitFigure, beforeFigure],
                    Sources.Definition
                )
            );
        }
        if (outcome is null)
            return new(school, factor, buds, null, null, null, null, null, steps, Warn(school, before, terms));

        // Fruit a bud standing after the known losses stands for, against the fruit wanted.
        var perFruit = before * terms.Places;
        var (reached, missing) = (outcome.ReachedWith(perFruit), outcome.ShortWith(perFruit) * fruitPerTree);
        var clusters = buds * kept * outcome.Mean;
        var thinning = clusters * terms.Places * terms.Fruitlets - fruitPerTree;
        Figure meanFigure = new("mean cluster set", outcome.Mean, "share"),
            clustersFigure = new("clusters to visit", clusters, "cluster/tree");
        steps.Add(
            new(
                "bud-factor.reached",
                "1 − chance of a cluster set below 1 ÷ bud factor",
                new("years in which the crop is reached", reached, "share"),
                [beforeFigure, .. SetFigures(terms)],
                "Beta distribution of the cluster set over the years"
            )
        );
        steps.Add(
            new(
                "bud-factor.clusters",
                "buds to leave × left by known losses × mean cluster set",
                clustersFigure,
                [budsFigure, keptFigure, meanFigure],
                Sources.Definition
            )
        );
        steps.Add(
            new(
                "bud-factor.thinning",
                "clusters to visit × fruitlets per cluster − fruit per tree",
                new("fruitlets to thin", thinning, "fruitlet/tree"),
                [
                    clustersFigure,
                    new("fruitlets per cluster", terms.Places * terms.Fruitlets, "fruitlet/cluster"),
                    fruitFigure,
                ],
                "the mean cluster set, never 1 ÷ bud factor; fruitlets per cluster from memory"
            )
        );
        steps.Add(
            new(
                "bud-factor.short",
                "mean over the years of the fruit missing",
                new("short in the mean of the years", missing, "fruit/tree"),
                [fruitFigure, beforeFigure, .. SetFigures(terms)],
                "Beta distribution of the cluster set over the years"
            )
        );
        return new(
            school,
            factor,
            buds,
            reached,
            thinning,
            clusters,
            missing,
            Say(reached, thinning, missing, terms.Fruitlets > 1),
            steps,
            Warn(school, before, terms)
        );
    }

    private static Figure[] SetFigures(InsuranceTerms terms)
    {
        List<Figure> figures = [];
        if (terms.Set is { } set)
            figures.AddRange([
                new("cluster set", set.Mean, "share"),
                new("its spread over the years", set.Sd, "share"),
            ]);
        if (terms.PruningSd > 0)
            figures.Add(new("pruning misses by", terms.PruningSd, "share"));
        if (terms.Losses.Risk is { } risk)
            figures.AddRange([
                new("chance of a further loss", risk.Chance, "share"),
                new("loss when it comes", risk.Loss, "share"),
            ]);
        if (terms.Places != 1)
            figures.Add(new("fruit one carries when all sets", terms.Places, "fruit"));
        return [.. figures];
    }

    private static Step FactorStep(School school, double factor, InsuranceTerms terms)
    {
        Figure result = new("bud factor", factor, "bud/fruit");
        return school switch
        {
            School.Fixed => new(
                "bud-factor.factor",
                "set by hand; ordinary losses are in it already",
                result,
                [],
                terms.Places == 1 ? $"usual range 1.5 to 2.0; {Sources.Practice}" : Sources.Entered
            ),
            School.ServiceLevel => new(
                "bud-factor.factor",
                "1 ÷ the cluster set that is passed in the wanted share of years",
                result,
                [new("years in which the crop is reached", terms.Reached, "share"), .. SetFigures(terms)],
                terms.SetSource
            ),
            _ => new(
                "bud-factor.factor",
                "1 ÷ the cluster set below which years make up over ÷ (over + under) of the mean",
                result,
                [
                    new("a cluster too many costs", terms.CostOver, "money"),
                    new("a fruit too few costs", terms.CostUnder, "money"),
                    .. SetFigures(terms),
                ],
                terms.SetSource
            ),
        };
    }

    private static Notice Say(double reached, double thinning, double missing, bool thinned)
    {
        Figure[] figures =
        [
            new("years", Math.Round(reached * 10), "of10"),
            new("thin", Math.Max(0, thinning), "fruitlet/tree"),
            new("short", missing, "fruit/tree"),
        ];
        var years = reached >= NearlyAlways ? "nearly every year" : $"in {reached * 10:0} years of 10";
        // What is not thinned by hand stays: too many, and small.
        if (!thinned && thinning >= 0)
            return new(
                "insurance.meaning-over",
                $"Reaches the crop {years}; an average year sets {thinning:0} fruit a tree too many, which "
                    + $"nobody thins, and {missing:0.0} are missing in the mean of all years.",
                figures
            );
        return thinning >= 0
            ? new(
                reached >= NearlyAlways ? "insurance.meaning-always" : "insurance.meaning",
                $"Reaches the crop {years}; expect to thin {thinning:0} fruitlets a tree in an average year, "
                    + $"and to miss {missing:0.0} fruit a tree in the mean of all years.",
                figures
            )
            : new(
                "insurance.meaning-short",
                $"Reaches the crop {years}; even in an average year nothing is left to thin, and {missing:0.0} "
                    + "fruit a tree are missing in the mean of all years.",
                figures
            );
    }

    private static Notice[] Warn(School school, double factor, InsuranceTerms terms)
    {
        // Told in buds per fruit of full set, so that shoots with several fruit are judged alike.
        var perFruit = factor * terms.Places;
        Figure figure = new("bud factor", factor, "bud/fruit");
        if (school == School.Fixed && terms.Places != 1)
            return [];
        return perFruit switch
        {
            > Extreme when terms.Places == 1 =>
            [
                new(
                    "bud-factor.extreme",
                    $"A bud factor of {factor:0.##} leaves more than three buds for each fruit. Expect heavy "
                        + "hand thinning; check set and frost history before leaving so many.",
                    figure
                ),
            ],
            > UsualHigh when school == School.Fixed =>
            [
                new(
                    "bud-factor.high",
                    $"A bud factor of {factor:0.##} is above the usual 1.5 to 2.0. It insures against poor set "
                        + "and costs thinning in a good year.",
                    figure
                ),
            ],
            < UsualLow when school == School.Fixed =>
            [
                new(
                    "bud-factor.low",
                    $"A bud factor of {factor:0.##} is below the usual 1.5 to 2.0. One poor set or frost and "
                        + "the crop falls short.",
                    figure
                ),
            ],
            _ => [],
        };
    }
}
