using Rama.Core.Count;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Result;
using Rama.Core.Result.Learning;
using Rama.Core.Statistics;
using Rama.Core.Target.Capacity;
using Rama.Core.Target.Insurance;
using Rama.Core.Target.Margin;
using Rama.Core.Target.Sharing;
using Rama.Core.Target.Size;
using Rama.Core.Weather;

namespace Rama.Core.Plan;

/// <summary>What the estate knows around a planting when its target is set.</summary>
/// <param name="Prices">Prices of its variety; null where the estate has none.</param>
/// <param name="GirthsCm">Girths of every tree measured, cm; none where only counted trees were.</param>
/// <param name="Place">Where and how its rows lie; null where neither map nor site tells.</param>
/// <param name="Returns">Crop density of a season and floral buds per cm² of the next, by season.</param>
/// <param name="Weather">Daily temperatures of its site, this year's and past ones.</param>
/// <param name="Currency">Money of the estate, three letters; null until told.</param>
/// <param name="IsSouth">Whether its site lies south of the equator.</param>
public sealed record DeskSurroundings(
    PriceListEntry? Prices,
    IReadOnlyList<double> GirthsCm,
    PlacedRows? Place,
    IReadOnlyDictionary<int, ResponsePair> Returns,
    IReadOnlyList<WeatherDay> Weather,
    string? Currency = null,
    bool IsSouth = false
)
{
    /// <summary>Nothing known.</summary>
    public static readonly DeskSurroundings Nothing = new(null, [], null, new Dictionary<int, ResponsePair>(), []);
}

/// <summary>Trees that stand apart from the target.</summary>
/// <param name="Missing">Empty places.</param>
/// <param name="Replants">Replants too young to bear.</param>
/// <param name="Pollinizers">Pollinizers that are not picked.</param>
/// <param name="ToGrub">Trees marked to come out; they bear until then.</param>
public sealed record TreesApart(int Missing, int Replants, int Pollinizers, int ToGrub);

/// <summary>
/// All that stands around one decision, how many fruit and of what size: what insurance costs, what the trees can
/// carry, what each choice is worth, and how it is shared.
/// </summary>
/// <param name="Schools">The three schools side by side, those that have what they need.</param>
/// <param name="SetHistory">Cluster set of the coming year; null where nothing is known of it.</param>
/// <param name="SetStanding">Whether that is the learned one, and why not.</param>
/// <param name="SetTaken">Mean set the target was set with, where another would be taken now; null where not.</param>
/// <param name="Losses">Losses still to come, with what they leave.</param>
/// <param name="Size">The fruit size in every form.</param>
/// <param name="Classes">How the harvest spreads over size classes.</param>
/// <param name="PerUnit">Fruit each bud or shoot left stands for, for crops told by it; null for pome fruit.</param>
/// <param name="Load">What trunks, leaf area, age and past years say.</param>
/// <param name="Alternation">How much past yields swing; null where no two neighbouring ones are known.</param>
/// <param name="PastFruit">Fruit per tree of past seasons.</param>
/// <param name="Canopy">How high and wide the trees may be.</param>
/// <param name="Light">Light on the rows on the longest day; null where they are not on the map.</param>
/// <param name="Shared">Target by trunk class; null where too few trunks were measured.</param>
/// <param name="EveryTrunk">Whether every tree was measured, and not only those counted.</param>
/// <param name="Zones">Buds along the height of a tree.</param>
/// <param name="Apart">Trees apart from the target; null where no rows are listed.</param>
/// <param name="Margin">Margin over fruit per tree; null where trunks or usual crops are not known.</param>
/// <param name="Heat">Heat of the spring so far with the stage it brought the buds to; null without temperatures of the
/// year.</param>
/// <param name="Prices">Prices used.</param>
/// <param name="PricesAssumed">Whether nobody entered any.</param>
public sealed record TargetDesk(
    IReadOnlyList<SchoolAnswer> Schools,
    SetHistory? SetHistory,
    LearnedStanding SetStanding,
    double? SetTaken,
    LossesLeft Losses,
    FruitSizeAnswer Size,
    SizeClasses? Classes,
    FruitPerUnit? PerUnit,
    CropLoad Load,
    Alternation? Alternation,
    IReadOnlyList<SeasonFruit> PastFruit,
    CanopyLimits Canopy,
    RowLight? Light,
    ClassTargets? Shared,
    bool EveryTrunk,
    ZoneTargets Zones,
    TreesApart? Apart,
    MarginCurve? Margin,
    DegreeDays? Heat,
    PriceListEntry Prices,
    bool PricesAssumed
)
{
    // A usual crop for crops told by leaf area lies about what that area feeds.
    private const double LeafLow = 0.75,
        LeafHigh = 1.25;

    /// <summary>Works the desk out; null while there is no usable target.</summary>
    /// <param name="reading">What was typed, read.</param>
    /// <param name="plan">The plan that follows from it.</param>
    /// <param name="around">What the estate knows around it.</param>
    public static TargetDesk? Of(PlanReading reading, PruningPlan plan, DeskSurroundings around)
    {
        if (
            reading is not { Planting: { } planting, Density: { } density, Target: { } target }
            || plan is not { Crop: { } crop, Buds: { } buds }
        )
            return null;

        var girths =
            around.GirthsCm.Count >= TrunkClass.FewestTrunks ? around.GirthsCm : CountedGirths(reading.Counted);
        double? tcsa = girths.Count > 0 ? girths.Average(Trunk.CrossSectionCm2) : plan.Survey?.Means.TcsaCm2;
        var past = reading
            .Seasons.Select(s => (s.Season, Fruit: s.FruitPerTree(density.BearingTreesPerHa)))
            .Where(s => s.Fruit is > 0)
            .Select(s => new SeasonFruit(s.Season, s.Fruit!.Value))
            .ToList();
        var load = CropLoad.Of(planting, crop.FruitPerTree, tcsa, [.. past.Select(p => (p.Season, p.FruitPerTree))]);
        var classes = TrunkClass.Split(
            girths,
            target.Sharing.Exponent,
            target.Sharing.SmallBelowGirthCm,
            target.Sharing.LargeFromGirthCm
        );

        var typed = around.Prices ?? PriceList.Assumption(planting.Variety.FruitMassG.Value, around.Currency);
        var prices = Usable(() => typed.Read(target.Crop.Packages, target.Crop.Law));
        var terms =
            tcsa is { } trunk && prices is not null
                ? Terms(reading, new(density.BearingTreesPerHa, trunk, buds.Factor), prices, load, around)
                : null;
        var canopy = CanopyLimits.Of(
            planting.System.Form.Canopy,
            planting.Form,
            target.Canopy,
            planting.System.Form.Leaders
        );
        return new(
            [
                .. Enum.GetValues<School>()
                    .Select(s => SchoolAnswer.Of(s, crop.FruitPerTree, target.Insurance))
                    .OfType<SchoolAnswer>(),
            ],
            reading.SetHistory,
            reading.Learned.Of(LearnedQuantity.Set, SeasonLearning.TellsOfSet(reading)),
            SeasonLearning.TakenOtherwise(reading),
            new(target.Insurance.Losses, target.Insurance.Losses.Kept),
            FruitSizeAnswer.Of(target.Crop.Size, target.Crop.Law, target.Crop.Packages, reading.SizeWarnings),
            prices is null
                ? null
                : SizeClasses.Of(
                    crop.FruitMassG,
                    prices.Cv,
                    prices.Grades,
                    prices.Assumed.Contains("cv") ? Sources.Practice : Sources.Entered,
                    prices.Currency
                ),
            FruitPerUnit.Of(reading.Crop!, crop.FruitPerTree, buds.BudsPerTree),
            load,
            Alternation.Of(
                reading
                    .Seasons.Select(s => (s.Season, Yield: s.KgPerHa(density.BearingTreesPerHa)))
                    .Where(s => s.Yield is not null)
                    .Select(s => (s.Season, s.Yield!.Value))
            ),
            past,
            canopy,
            LightOf(reading, around.Place),
            classes is null ? null : ClassTargets.Of(crop.FruitPerTree, buds.Factor, classes, target.Sharing.Exponent),
            around.GirthsCm.Count >= TrunkClass.FewestTrunks,
            ZoneTargets.Of(buds.BudsPerTree, target.Sharing.Top),
            reading.Rows is { } rows ? new(rows.Missing, rows.Replants, rows.Pollinizers, rows.ToGrub) : null,
            terms is null ? null : MarginCurve.Of(terms, crop.FruitPerTree),
            HeatOf(reading, around),
            typed,
            around.Prices is null
        );
    }

    /// <summary>Light in the rows of a planting at the height its canopy has or may have; null where nobody knows how
    /// they lie.</summary>
    /// <param name="reading">What was typed, read.</param>
    /// <param name="rows">How they lie.</param>
    public static RowLight? LightOf(PlanReading reading, PlacedRows? rows)
    {
        if (rows is null || reading.Planting is not { System.Form: var form } planting)
            return null;
        var canopy = reading.Target?.Canopy ?? Target.Capacity.Canopy.Usual;
        return RowLight.Of(
            rows,
            canopy.HeightM ?? CanopyLimits.Of(form.Canopy, planting.Form, canopy, form.Leaders).HeightM
        );
    }

    private static DegreeDays? HeatOf(PlanReading reading, DeskSurroundings around)
    {
        var start = DegreeDays.StartOf(reading.Year, around.IsSouth);
        if (!around.Weather.Any(d => d.Date >= start && d.Date < start.AddYears(1)))
            return null;
        List<StageHeat> heats = [.. FrostTables.Shipped.Heat.Where(h => h.Crop == reading.Planting!.Variety.Crop)];
        var shift = DegreeDays.ShiftOf(
            around.Weather,
            [.. reading.Seasons.Select(s => s.GreenTip).OfType<DateOnly>()],
            heats,
            around.IsSouth
        );
        return DegreeDays.Of(around.Weather, start, heats, shift);
    }

    private static List<double> CountedGirths(Survey? counted) =>
        [.. (counted?.Trees ?? []).Select(t => t.GirthCm).OfType<double>()];

    /// <summary>Mean trees of the planting.</summary>
    /// <param name="PerHa">Bearing trees per hectare.</param>
    /// <param name="TcsaCm2">Trunk cross-section, cm².</param>
    /// <param name="BudsPerFruit">Buds wanted per fruit.</param>
    private sealed record DeskTrees(double PerHa, double TcsaCm2, double BudsPerFruit);

    private static MarginTerms? Terms(
        PlanReading reading,
        DeskTrees trees,
        PriceList prices,
        CropLoad load,
        DeskSurroundings around
    )
    {
        var (bearing, tcsa, budsPerFruit) = trees;
        var (variety, target) = (reading.Planting!.Variety, reading.Target!);
        // Told by trunks, or by the fruit its leaves feed.
        var feeds = load.LeafAreaPerFruitCm2 / CropLoad.LeafAreaWantedCm2 * load.CropDensity;
        if ((load.Low ?? feeds * LeafLow) is not { } low || (load.High ?? feeds * LeafHigh) is not { } high)
            return null;
        var insurance = target.Insurance;
        var set = (insurance.Set?.Mean ?? variety.SetShare.Value) * insurance.Places;
        return new(
            bearing,
            tcsa,
            target.Crop.PackOut,
            prices,
            Line(
                reading,
                LearnedQuantity.FruitMass,
                [.. SeasonLearning.Masses(reading).Select(m => (m.X, m.Y))],
                (pairs, slope) => ResponseLines.Size(pairs, variety.FruitMassG.Value, low, high, slope)
            ),
            Line(
                reading,
                LearnedQuantity.ReturnBloom,
                [.. around.Returns.Values.Select(r => (r.CropDensity, r.Value))],
                (pairs, slope) =>
                    ResponseLines.Return(pairs, variety.Traits.BiennialProne, budsPerFruit, low, high, slope)
            ),
            set,
            // What is not thinned by hand costs no thinning.
            insurance.Fruitlets > 1
                ? budsPerFruit * insurance.Losses.Kept * set * insurance.Fruitlets
                : 1,
            high
        );
    }

    // What is not to be learned is no line of its own; a slope that was pinned goes through the own level.
    private static ResponseLine Line(
        PlanReading reading,
        LearnedQuantity quantity,
        IReadOnlyList<(double X, double Y)> pairs,
        Func<IReadOnlyList<(double X, double Y)>, double?, ResponseLine> through
    ) =>
        reading.Learned.Of(quantity, pairs.Count > 1) switch
        {
            LearnedStanding.PutBack or LearnedStanding.Refused => through([], null),
            LearnedStanding.Pinned => through(pairs, reading.Learned.ChoiceOf(quantity)!.Pinned),
            _ => through(pairs, null),
        };

    // Prices are mended in their own form; the rest of the desk does not wait for them.
    private static PriceList? Usable(Func<PriceList> read)
    {
        try
        {
            return read();
        }
        catch (UnusableEntryException)
        {
            return null;
        }
    }
}

/// <summary>Fruit per tree of one past season.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="FruitPerTree">Fruit picked per bearing tree.</param>
public sealed record SeasonFruit(int Season, double FruitPerTree);

/// <summary>Losses still to come and what they leave.</summary>
/// <param name="Losses">Losses.</param>
/// <param name="Kept">Share of the buds left over by the known ones.</param>
public sealed record LossesLeft(Losses Losses, double Kept);
