using Rama.Core.Explain;
using Rama.Core.Target.Size;

namespace Rama.Core.Target.Margin;

/// <summary>What a hectare brings at one number of fruit per tree.</summary>
/// <param name="FruitPerTree">Fruit per tree.</param>
/// <param name="CropDensity">Fruit per cm² of trunk.</param>
/// <param name="FruitMassG">Mean fruit mass, grams.</param>
/// <param name="PackedKgPerHa">Packed kilograms per hectare.</param>
/// <param name="GrossPerHa">What they and the rest bring.</param>
/// <param name="CostPerHa">Picking, packing and thinning.</param>
/// <param name="MarginPerHa">Gross less those costs, this year.</param>
/// <param name="NextFruitPerTree">Fruit per tree the return bloom allows next year, at most as many as this
/// year.</param>
/// <param name="SteadyPerHa">Mean margin of two years when every year is asked for as much.</param>
/// <param name="Lasts">Whether the trees can bear as much every year.</param>
/// <param name="Known">Whether the crop density lies where size and return bloom are known.</param>
public sealed record MarginPoint(
    double FruitPerTree,
    double CropDensity,
    double FruitMassG,
    double PackedKgPerHa,
    double GrossPerHa,
    double CostPerHa,
    double MarginPerHa,
    double NextFruitPerTree,
    double SteadyPerHa,
    bool Lasts,
    bool Known
);

/// <summary>A point of the curve as it is drawn.</summary>
/// <param name="FruitPerTree">Fruit per tree.</param>
/// <param name="MarginPerHa">Margin per hectare, this year.</param>
/// <param name="SteadyPerHa">Mean margin of two years when every year is asked for as much.</param>
/// <param name="Lasts">Whether the trees can bear as much every year.</param>
/// <param name="Known">Whether the crop density lies where size and return bloom are known.</param>
public sealed record CurvePoint(double FruitPerTree, double MarginPerHa, double SteadyPerHa, bool Lasts, bool Known);

/// <summary>The best number of fruit, and how far from it costs next to nothing.</summary>
/// <param name="FruitPerTree">Fruit per tree.</param>
/// <param name="MarginPerHa">Margin there.</param>
/// <param name="FlatFrom">Fewest fruit per tree within 2 % of it.</param>
/// <param name="FlatTo">Most fruit per tree within 2 % of it.</param>
public sealed record BestCrop(double FruitPerTree, double MarginPerHa, double FlatFrom, double FlatTo);

/// <summary>
/// Margin per hectare over fruit per tree: over picking, packing and thinning; all else is spent either way.
/// </summary>
/// <param name="Currency">Money, three letters.</param>
/// <param name="Points">The curve.</param>
/// <param name="Best">Best crop for two steady years.</param>
/// <param name="BestThisYear">Best crop for this year alone.</param>
/// <param name="Chosen">The crop chosen; null where none is.</param>
/// <param name="ChosenCosts">What the chosen crop gives away against the best, per hectare and year; null where none is
/// chosen.</param>
/// <param name="Alternates">Whether the chosen crop makes heavy and light years take turns.</param>
/// <param name="Meaning">The same in a sentence.</param>
/// <param name="Ahead">What to plan for year in, year out; null where every crop loses money, or nothing of the
/// estate's own says what pays.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record MarginCurve(
    string Currency,
    IReadOnlyList<CurvePoint> Points,
    BestCrop Best,
    BestCrop BestThisYear,
    MarginPoint? Chosen,
    double? ChosenCosts,
    bool Alternates,
    Notice Meaning,
    Notice? Ahead,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(Best.MarginPerHa, $"{Currency}/ha", Steps, Warnings)
{
    /// <summary>Loss against the best that is called next to nothing.</summary>
    public const double Flat = 0.02;

    private const int ChartPoints = 81,
        FinePerPoint = 3,
        YearsToSettle = 60;
    private const double Widest = 1.25,
        Rounding = 0.005;

    /// <summary>Works the curve out.</summary>
    /// <param name="terms">What it rests on.</param>
    /// <param name="chosen">Fruit per tree chosen; null for none.</param>
    public static MarginCurve Of(MarginTerms terms, double? chosen)
    {
        // A little beyond what is known, drawn as such, so that the edge is seen.
        var most = Math.Max(terms.Size.To, terms.Return.To) * Widest * terms.TcsaCm2;
        if (chosen is { } wanted)
            most = Math.Max(most, wanted * 1.1);
        var fine = ChartPoints * FinePerPoint;
        var step = most / fine;
        List<MarginPoint> all = [.. Enumerable.Range(1, fine).Select(i => At(terms, i * step))];
        // Asking for more than the bloom brings back changes nothing any more: no choice lies there.
        var lasting = all.TakeWhile(p => p.Lasts).ToList();
        // Nor is a crop recommended that the trunks are said to be too small for.
        var carries = terms.MostCropDensity ?? double.PositiveInfinity;
        List<MarginPoint> Carried(List<MarginPoint> of) =>
            of.Where(p => p.CropDensity <= carries).ToList() is { Count: > 0 } some ? some : of;
        var (best, thisYear) = (
            BestOf(Carried(lasting.Count > 0 ? lasting : all), p => p.SteadyPerHa),
            BestOf(Carried(all), p => p.MarginPerHa)
        );
        var here = chosen is { } c ? At(terms, c) : null;
        double? costs = here is null ? null : Math.Max(0, best.MarginPerHa - here.SteadyPerHa);
        var alternates = here is not null && here.NextFruitPerTree < here.FruitPerTree - 0.5;
        return new(
            terms.Prices.Currency,
            [
                .. all.Where((_, i) => (i + 1) % FinePerPoint == 0)
                    .Select(p => new CurvePoint(p.FruitPerTree, p.MarginPerHa, p.SteadyPerHa, p.Lasts, p.Known)),
            ],
            best,
            thisYear,
            here,
            costs,
            alternates,
            Say(terms, best, costs),
            LookAhead(terms, best),
            StepsOf(terms, here ?? At(terms, best.FruitPerTree)),
            Warn(terms, best, here, alternates)
        );
    }

    /// <summary>What a hectare brings at one number of fruit per tree.</summary>
    public static MarginPoint At(MarginTerms terms, double fruitPerTree)
    {
        var year = YearAt(terms, fruitPerTree);
        // Asked for as much every year, the trees settle to a steady crop or to two years in turn.
        var (crop, before) = (fruitPerTree, fruitPerTree);
        for (var i = 0; i < YearsToSettle; i++)
        {
            (crop, before) = (Math.Min(fruitPerTree, Returned(terms, crop)), crop);
            if (crop == before)
                break;
        }
        var steady =
            crop == fruitPerTree && before == fruitPerTree
                ? year.MarginPerHa
                : (YearAt(terms, crop).MarginPerHa + YearAt(terms, before).MarginPerHa) / 2;
        var density = fruitPerTree / terms.TcsaCm2;
        return year with
        {
            NextFruitPerTree = Math.Min(fruitPerTree, Returned(terms, fruitPerTree)),
            SteadyPerHa = steady,
            Lasts = Math.Min(crop, before) >= fruitPerTree * (1 - Rounding),
            Known = terms.Size.Knows(density) && terms.Return.Knows(density),
        };
    }

    // With too few buds back all are left standing, so the cluster set alone says how many fruit they can bear.
    private static double Returned(MarginTerms terms, double fruitPerTree) =>
        Math.Max(0, terms.Return.At(fruitPerTree / terms.TcsaCm2)) * terms.TcsaCm2 * terms.SetMean;

    private static MarginPoint YearAt(MarginTerms terms, double fruitPerTree)
    {
        var density = fruitPerTree / terms.TcsaCm2;
        var mass = Math.Max(terms.Size.At(density), 1);
        var pickedKg = fruitPerTree * terms.BearingTreesPerHa * mass / 1_000;
        var parts = new SizeDistribution(mass, terms.Prices.Cv * mass).PartsOfMeanG(terms.Prices.Grades.LimitsG);
        var price = parts.Zip(terms.Prices.Grades.PricesPerKg, (part, p) => part / mass * p).Sum();
        var gross = pickedKg * (terms.PackOut * price + (1 - terms.PackOut) * terms.Prices.RejectPerKg);
        var thinned = Math.Max(0, terms.FruitletsPerFruit - 1) * fruitPerTree * terms.BearingTreesPerHa;
        var cost = pickedKg * terms.Prices.HarvestPerKg + thinned / 100 * terms.Prices.ThinningPer100;
        return new(
            fruitPerTree,
            density,
            mass,
            pickedKg * terms.PackOut,
            gross,
            cost,
            gross - cost,
            fruitPerTree,
            gross - cost,
            true,
            true
        );
    }

    private static BestCrop BestOf(List<MarginPoint> points, Func<MarginPoint, double> margin)
    {
        var best = points.Index().MaxBy(p => margin(p.Item));
        var enough = margin(best.Item) - Flat * Math.Abs(margin(best.Item));
        var (from, to) = (best.Index, best.Index);
        while (from > 0 && margin(points[from - 1]) >= enough)
            from--;
        while (to < points.Count - 1 && margin(points[to + 1]) >= enough)
            to++;
        return new(best.Item.FruitPerTree, margin(best.Item), points[from].FruitPerTree, points[to].FruitPerTree);
    }

    private static Notice Say(MarginTerms terms, BestCrop best, double? costs)
    {
        Figure[] figures =
        [
            new("from", best.FlatFrom, "fruit/tree"),
            new("to", best.FlatTo, "fruit/tree"),
            new("best", best.FruitPerTree, "fruit/tree"),
            new("costs", costs ?? 0, $"{terms.Prices.Currency}/ha"),
        ];
        if (best.MarginPerHa <= 0)
            return new(
                "margin.loses",
                "At these prices and costs every crop loses money: picking, packing and thinning cost more than the "
                    + "fruit brings. Check the prices.",
                figures
            );
        var flat =
            $"Anything from {best.FlatFrom:0} to {best.FlatTo:0} fruit a tree costs you less than 2 % of the "
            + "best margin";
        // A sum of money given away that rests on nobody's own prices or seasons would be no advice.
        if (terms.IsAssumed)
            return new(
                "margin.assumed",
                $"{flat}, by usual prices and responses. Enter your own prices, or seasons, before you go by it.",
                figures
            );
        return costs is { } given && given > Flat * Math.Abs(best.MarginPerHa)
                ? new(
                    "margin.away",
                    $"{flat}; your target gives away {given:#,0} {terms.Prices.Currency} a hectare and year.",
                    figures
                )
            : costs is null ? new("margin.flat", $"{flat}.", figures)
            : new("margin.within", $"{flat}; your target lies within.", figures);
    }

    private static Notice? LookAhead(MarginTerms terms, BestCrop best)
    {
        if (best.MarginPerHa <= 0 || terms.IsAssumed)
            return null;
        var tonnes = At(terms, best.FruitPerTree).PackedKgPerHa / 1_000;
        var pairs = terms.Return.Pairs;
        Figure[] figures =
        [
            new("best", best.FruitPerTree, "fruit/tree"),
            new("packed", tonnes, "t/ha"),
            new("from", best.FlatFrom, "fruit/tree"),
            new("to", best.FlatTo, "fruit/tree"),
            new("own pairs", pairs, "1"),
        ];
        var message =
            $"Year in, year out, {best.FruitPerTree:0} fruit a tree pay best, {tonnes:0.#} t/ha packed; anything from "
            + $"{best.FlatFrom:0} to {best.FlatTo:0} comes within 2 % of it. That is by ";
        return pairs == 0
            ? new("margin.ahead-usual", message + "your prices and the usual answer of the bloom to the crop.", figures)
            : new(
                "margin.ahead",
                message
                    + $"your prices and the bloom after crops of {pairs} own {(pairs == 1 ? "season" : "seasons")}.",
                figures
            );
    }

    private static Step[] StepsOf(MarginTerms terms, MarginPoint at)
    {
        var money = terms.Prices.Currency;
        Figure fruit = new("fruit per tree", at.FruitPerTree, "fruit/tree"),
            density = new("crop density", at.CropDensity, "fruit/cm²"),
            mass = new("fruit mass", at.FruitMassG, "g");
        Figure gross = new("gross", at.GrossPerHa, $"{money}/ha"),
            cost = new("picking, packing and thinning", at.CostPerHa, $"{money}/ha"),
            year = new("margin this year", at.MarginPerHa, $"{money}/ha");
        string Known(Statistics.ResponseLine line) =>
            line.OwnWeight switch
            {
                0 => Sources.Assumption,
                1 => Sources.OwnRecords,
                _ => "own records, their slope drawn towards the usual one",
            };
        return
        [
            new(
                "margin.size",
                "mass at no crop + slope of size × crop density",
                mass,
                [
                    new("mass at no crop", terms.Size.Intercept, "g"),
                    new("slope of size", terms.Size.Slope, "g per fruit/cm²"),
                    density,
                    new("own pairs", terms.Size.Pairs, "1"),
                ],
                Known(terms.Size)
            ),
            new(
                "margin.gross",
                "picked mass × (pack-out × price by size + (1 − pack-out) × price of the rest)",
                gross,
                [
                    fruit,
                    new("bearing trees", terms.BearingTreesPerHa, "tree/ha"),
                    mass,
                    new("pack-out", terms.PackOut, "share"),
                    new("price of the rest", terms.Prices.RejectPerKg, $"{money}/kg"),
                ],
                "prices by size of the estate's list"
            ),
            new(
                "margin.cost",
                "picked mass × cost of a kilogram + fruitlets thinned × cost of one",
                cost,
                [
                    fruit,
                    mass,
                    new("cost of a kilogram", terms.Prices.HarvestPerKg, $"{money}/kg"),
                    new("cost of 100 fruitlets", terms.Prices.ThinningPer100, money),
                    new("fruitlets per fruit wanted", terms.FruitletsPerFruit, "1"),
                ],
                terms.Prices.Assumed.Count == 0 ? Sources.Entered : Sources.Assumption
            ),
            new("margin.year", "gross − picking, packing and thinning", year, [gross, cost], Sources.Definition),
            new(
                "margin.return",
                "(buds at no crop + slope of return × crop density) × trunk cross-section × cluster set",
                new("fruit next year, at most", Returned(terms, at.FruitPerTree), "fruit/tree"),
                [
                    new("buds at no crop", terms.Return.Intercept, "bud/cm²"),
                    new("slope of return", terms.Return.Slope, "buds per fruit"),
                    density,
                    new("trunk cross-section", terms.TcsaCm2, "cm²"),
                    new("cluster set", terms.SetMean, "share"),
                ],
                Known(terms.Return)
            ),
            new(
                "margin.steady",
                "mean of two years once the trees have settled to the same wish every year",
                new("margin of two steady years", at.SteadyPerHa, $"{money}/ha"),
                [year],
                Sources.Definition
            ),
        ];
    }

    private static List<Notice> Warn(MarginTerms terms, BestCrop best, MarginPoint? chosen, bool alternates)
    {
        List<Notice> warnings = [];
        if (terms.Size.Pairs is > 0 and < 3)
            warnings.Add(
                new(
                    "margin.few-seasons",
                    $"{terms.Size.Pairs} seasons of fruit size say little about how size answers to crop; most "
                        + "of the slope is still the usual one.",
                    new Figure("own pairs", terms.Size.Pairs, "1")
                )
            );
        if (terms.Size.Slope >= 0)
            warnings.Add(
                new(
                    "margin.size-rises",
                    $"By your records fruit grow no smaller with more of them ({terms.Size.Slope:+0.0;−0.0} g "
                        + "per fruit/cm²). A year's weather can do that; do not raise the crop on it.",
                    new Figure("slope of size", terms.Size.Slope, "g per fruit/cm²")
                )
            );
        if (
            chosen is { Known: false }
            || best.FruitPerTree / terms.TcsaCm2 > Math.Min(terms.Size.To, terms.Return.To) + 1e-9
        )
            warnings.Add(
                new(
                    "margin.beyond",
                    "Part of the curve lies beyond the crops size and return bloom are known for; there it is "
                        + "dotted and a guess.",
                    new Figure("known to", Math.Min(terms.Size.To, terms.Return.To) * terms.TcsaCm2, "fruit/tree")
                )
            );
        if (chosen is { Lasts: false } && Math.Abs(terms.Return.Slope * terms.SetMean) >= 1)
            warnings.Add(
                new(
                    "margin.no-steady",
                    "After a crop like this bloom swings more than the crop did: there is no steady state, "
                        + "only heavy and light years in turn."
                )
            );
        if (chosen is not null && alternates)
            warnings.Add(
                new(
                    "margin.alternates",
                    $"After {chosen.FruitPerTree:0} fruit a tree, next year's bloom is expected to bear "
                        + $"{chosen.NextFruitPerTree:0}. Heavy and light years would take turns.",
                    new("this year", chosen.FruitPerTree, "fruit/tree"),
                    new("next year", chosen.NextFruitPerTree, "fruit/tree")
                )
            );
        return warnings;
    }
}
