using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Count;
using Rama.Core.Count.Estimate;
using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Plan;
using Rama.Core.Prescribe;
using Rama.Core.Result;
using Rama.Core.Result.Learning;
using Rama.Core.Target;
using Rama.Core.Target.Size;
using Rama.Data.Database;
using Rama.Data.Plan;

namespace Rama.Web.Plan;

/// <summary>A planting with what was entered for the season and the plan that follows from it.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="PlantingVersion">Version of the planting, to be sent back when saving it.</param>
/// <param name="PlanVersion">Version of target, count and settings, to be sent back when saving one of them.</param>
/// <param name="Season">Calendar year of the harvest planned for.</param>
/// <param name="IsPast">Whether it is another season than the one at hand: it can be read and not changed.</param>
/// <param name="Planting">The planting as entered.</param>
/// <param name="Rows">Its rows as entered.</param>
/// <param name="Records">Past seasons as entered.</param>
/// <param name="Ahead">Heavy and light years, and what they mean for the coming one.</param>
/// <param name="Chains">Past seasons from what was wanted to what came, the latest first.</param>
/// <param name="Harvests">Past seasons as picked and graded, the latest first.</param>
/// <param name="Learning">Learned numbers set aside, as entered.</param>
/// <param name="FruitSample">Fruit measured and weighed, as entered.</param>
/// <param name="Target">The target as entered.</param>
/// <param name="Count">The count as entered.</param>
/// <param name="Measured">What is known of the trees not counted.</param>
/// <param name="Settings">Tolerance and cap as entered.</param>
/// <param name="Cutting">How the system is cut, as chosen, and what demonstration trees showed.</param>
/// <param name="Plan">What follows.</param>
public sealed record PlantingView(
    Guid Id,
    uint PlantingVersion,
    uint PlanVersion,
    int Season,
    bool IsPast,
    PlantingEntry Planting,
    RowListEntry Rows,
    SeasonRecordsEntry Records,
    YearAhead Ahead,
    IReadOnlyList<PastChain> Chains,
    IReadOnlyList<PastHarvest> Harvests,
    LearnedChoicesEntry Learning,
    FruitSampleEntry FruitSample,
    TargetEntry Target,
    SurveyEntry Count,
    MeasuredTrees Measured,
    DecisionSettingsEntry Settings,
    CuttingEntry Cutting,
    PruningPlan Plan
)
{
    internal static PlantingView Of(StoredPlanting stored)
    {
        var entry = stored.ToEntry();
        var reading = PlanReading.Of(entry, stored.Catalogue);
        var plan = PruningPlan.Of(reading);
        var records = stored.Planting.ToRecords();
        var seasons = records.Read(stored.Season);
        return new(
            stored.Planting.Id,
            stored.Planting.Version,
            stored.Plan.Version,
            entry.Season,
            entry.Season != stored.Season,
            entry.Planting,
            entry.Rows,
            records,
            YearAhead.Of(reading, plan),
            PastChain.AllOf(reading, plan, seasons),
            PastHarvest.AllOf(reading, seasons),
            entry.Learning,
            entry.FruitSample,
            entry.Target,
            entry.Count,
            entry.Measured,
            entry.Settings,
            entry.Cutting,
            plan
        );
    }
}

/// <summary>
/// Someone else saved first; nothing was saved. What they saved comes along, what was sent is the sender's to keep.
/// </summary>
/// <param name="Title">What happened.</param>
/// <param name="Status">HTTP status.</param>
/// <param name="Current">The planting as it stands now.</param>
public sealed record EditConflict(string Title, int Status, PlantingView Current)
{
    internal static EditConflict Of(EditConflictException e) =>
        new(e.Message, StatusCodes.Status409Conflict, PlantingView.Of(e.Current));
}

/// <summary>How every save of a planting answers.</summary>
internal static class Saving
{
    public static async Task<Results<Ok<PlantingView>, NotFound, Conflict<EditConflict>>> Answer(
        Task<StoredPlanting?> save
    )
    {
        try
        {
            return await save is { } stored ? TypedResults.Ok(PlantingView.Of(stored)) : TypedResults.NotFound();
        }
        catch (EditConflictException e)
        {
            return TypedResults.Conflict(EditConflict.Of(e));
        }
    }
}
