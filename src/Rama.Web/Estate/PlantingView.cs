using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Count;
using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Prescribe;
using Rama.Core.Target;
using Rama.Data;

namespace Rama.Web.Estate;

/// <summary>A planting with what was entered for the season and the plan that follows from it.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="PlantingVersion">Version of the planting, to be sent back when saving it.</param>
/// <param name="PlanVersion">Version of target, count and settings, to be sent back when saving one of them.</param>
/// <param name="Season">Calendar year of the harvest planned for.</param>
/// <param name="Planting">The planting as entered.</param>
/// <param name="Target">The target as entered.</param>
/// <param name="Count">The count as entered.</param>
/// <param name="Settings">Tolerance and cap as entered.</param>
/// <param name="Plan">What follows.</param>
public sealed record PlantingView(
    Guid Id,
    uint PlantingVersion,
    uint PlanVersion,
    int Season,
    PlantingEntry Planting,
    TargetEntry Target,
    SurveyEntry Count,
    DecisionSettingsEntry Settings,
    PruningPlan Plan)
{
    internal static PlantingView Of(StoredPlanting stored)
    {
        var entry = stored.ToPlan();
        return new(
            stored.Planting.Id, stored.Planting.Version, stored.Plan.Version, entry.Season,
            entry.Planting, entry.Target, entry.Count, entry.Settings, PruningPlan.Of(entry));
    }
}

/// <summary>Someone else saved first; nothing was saved. What they saved comes along, what was sent is the sender's to keep.</summary>
/// <param name="Title">What happened.</param>
/// <param name="Status">HTTP status.</param>
/// <param name="Current">The planting as it stands now.</param>
public sealed record EditConflict(string Title, int Status, PlantingView Current);

/// <summary>How every save of a planting answers.</summary>
internal static class Saving
{
    public static async Task<Results<Ok<PlantingView>, NotFound, Conflict<EditConflict>>> Answer(Task<StoredPlanting?> save)
    {
        try
        {
            return await save is { } stored ? TypedResults.Ok(PlantingView.Of(stored)) : TypedResults.NotFound();
        }
        catch (EditConflictException e)
        {
            return TypedResults.Conflict(new EditConflict(
                e.Message, StatusCodes.Status409Conflict, PlantingView.Of(e.Current)));
        }
    }
}
