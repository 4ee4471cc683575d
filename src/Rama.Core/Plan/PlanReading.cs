using Rama.Core.Count;
using Rama.Core.Count.Estimate;
using Rama.Core.Crops;
using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Prescribe;
using Rama.Core.Result;
using Rama.Core.Result.Learning;
using Rama.Core.Target;
using Rama.Core.Target.Insurance;
using Rama.Core.Target.Size;
using Rama.Core.Weather;

namespace Rama.Core.Plan;

/// <summary>All that was typed for one planting and season, read into SI as far as it can be.</summary>
/// <param name="Year">Calendar year of the harvest planned for.</param>
/// <param name="Planting">The planting; null where it cannot be used.</param>
/// <param name="Crop">The crop it bears.</param>
/// <param name="Rows">Its rows; null where none are listed.</param>
/// <param name="Density">Trees on the ground.</param>
/// <param name="Seasons">Past seasons.</param>
/// <param name="AtHand">The record of the season at hand, as far as it is told; null for none.</param>
/// <param name="Learned">What is used of what past seasons taught.</param>
/// <param name="SetHistory">Cluster set of the coming year that holds, from past seasons and the variety.</param>
/// <param name="Known">What the target is read with.</param>
/// <param name="Start">How far the target is, and what it may start from.</param>
/// <param name="SizeWarnings">What is unusual about the fruit weighed.</param>
/// <param name="Target">The target; null where there is none or it cannot be used.</param>
/// <param name="Counted">The trees counted.</param>
/// <param name="Measured">What is known of the trees not counted.</param>
/// <param name="Settings">Tolerance and cap; the usual ones where those typed cannot be used.</param>
/// <param name="Cutting">How the system is cut here.</param>
/// <param name="Problems">What cannot be used, field by field.</param>
public sealed record PlanReading(
    int Year,
    Planting? Planting,
    Crop? Crop,
    RowList? Rows,
    PlantingDensity? Density,
    IReadOnlyList<SeasonResult> Seasons,
    SeasonResult? AtHand,
    LearnedStandings Learned,
    SetHistory? SetHistory,
    TargetKnown Known,
    TargetStart Start,
    IReadOnlyList<Notice> SizeWarnings,
    SeasonTarget? Target,
    Survey? Counted,
    MeasuredTrees Measured,
    DecisionSettings Settings,
    Cutting Cutting,
    IReadOnlyList<FieldProblem> Problems
)
{
    /// <summary>Shoots grown after wood was cut, over all plantings of the estate.</summary>
    public EstatePairs Shoots { get; init; } = EstatePairs.None;

    /// <summary>Days of green tip noted in past seasons.</summary>
    public IReadOnlyList<SeasonDay> GreenTips =>
        [.. Seasons.Where(s => s.GreenTip is not null).Select(s => new SeasonDay(s.Season, s.GreenTip!.Value))];

    /// <summary>Reads an entry.</summary>
    /// <param name="entry">All that was typed.</param>
    /// <param name="catalogue">The estate's catalogue; the shipped one when left out.</param>
    public static PlanReading Of(PlanEntry entry, Catalogue? catalogue = null)
    {
        catalogue ??= Catalogue.Shipped;
        var reader = new EntryReader();
        var planting = reader.Under("planting", () => entry.Planting.Read(entry.Season, catalogue));
        var rows = entry.Rows.Rows.Count == 0 ? null : reader.Under("rows", entry.Rows.Read);
        var density = planting is null ? null : PlantingDensity.Of(planting.Form, rows);
        // A season at hand may have been picked; it is no past season of its own plan.
        var records = reader.Under("records", () => entry.Records.Read(entry.Season)) ?? [];
        var seasons = records.Where(s => s.Season < entry.Season).ToList();
        LearnedStandings learned = new(reader.Under("learning", entry.Learning.Read) ?? [], catalogue.KeptTo);
        var sample = reader.Under("fruitSample", entry.FruitSample.Read) ?? FruitSample.None;

        var (known, history, sizeWarnings) =
            planting is null || density is null
                ? (TargetKnown.Nothing, null, [])
                : KnownOf(
                    planting.Variety,
                    catalogue.Crop(planting.Variety.Crop),
                    seasons,
                    learned,
                    density.BearingTreesPerHa,
                    sample
                );
        var target = entry.Target.IsUntouched ? null : reader.Under("target", () => entry.Target.Read(known));
        var proposed =
            planting is null || density is null
                ? null
                : ProposedTarget.Of(entry.Records, seasons, learned, density, planting.Variety);
        var counted = reader.Under("count", entry.Count.Read);
        if (planting is not null)
            foreach (var problem in entry.Count.OlderThan(planting.Leaf))
                reader.Add($"count.{problem.Field}", problem.Code, problem.Message);
        var measured = reader.Under("measured", entry.Measured.Read) ?? MeasuredTrees.None;
        // While a limit or a reason is being typed the plan goes on with the usual ones; its problem is told at its
        // field.
        var cap = planting?.System.Caps.ShareOfBuds ?? DecisionSettings.DefaultCap;
        var settings = reader.Under("settings", () => entry.Settings.ReadSettings(cap)) ?? new(Cap: cap);
        var cutting = (planting is null ? null : reader.Under("cutting", () => entry.Cutting.Read(planting.System)))
            ?? Cutting.None;
        if (planting is not null)
            cutting = cutting with { Answers = planting.System.AnswersFor(cutting.Answers, planting.Variety.Traits) };
        return new(
            entry.Season,
            planting,
            planting is null ? null : catalogue.Crop(planting.Variety.Crop),
            rows,
            density,
            seasons,
            records.FirstOrDefault(s => s.Season == entry.Season),
            learned,
            history,
            known,
            TargetStart.Of(entry.Target, known, proposed, reader.Problems),
            sizeWarnings,
            target,
            counted,
            measured,
            settings,
            cutting,
            reader.Problems
        )
        {
            Shoots = catalogue.Shoots,
        };
    }

    /// <summary>Throws where some parts of the entry cannot be used, their fields told from the part on.</summary>
    /// <param name="parts">Parts, such as <c>target</c>.</param>
    /// <exception cref="UnusableEntryException">Names every field of them that cannot be used.</exception>
    public void ThrowIfWrong(params IReadOnlyList<string> parts)
    {
        List<FieldProblem> wrong =
        [
            .. parts.SelectMany(part =>
                Problems
                    .Where(p => p.Field.StartsWith(part + ".", StringComparison.Ordinal))
                    .Select(p => p with { Field = p.Field[(part.Length + 1)..] })
            ),
        ];
        if (wrong.Count > 0)
            throw new UnusableEntryException(wrong);
    }

    private static (TargetKnown Known, SetHistory? History, IReadOnlyList<Notice> Warnings) KnownOf(
        Variety variety,
        Crop crop,
        List<SeasonResult> seasons,
        LearnedStandings learned,
        double bearingTreesPerHa,
        FruitSample sample
    )
    {
        var places = crop.FruitPlaces.Value;
        List<PastSet> past = [.. LearnedSet.SeenIn(seasons, bearingTreesPerHa, places).Select(s => s.Set)];
        var (set, source) = SeasonLearning.SetHeldOf(learned, past, variety);
        var (law, warnings) = sample.Law(DiameterLaw.Round(crop.DensityGPerCm3.Value, crop.DensityGPerCm3.Source));
        InsuranceKnown insurance = new(
            set?.Predicted,
            source,
            InsuranceTerms.DefaultPruningSd,
            places,
            crop.Fruitlets.Value
        );
        return (new(law, variety.FruitMassG.Value, insurance), set, warnings);
    }
}
