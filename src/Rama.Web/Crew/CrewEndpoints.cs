using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Crew;
using Rama.Core.Passes;
using Rama.Data.Crew;
using Rama.Web.Accounts;

namespace Rama.Web.Crew;

/// <summary>Somebody who works in the rows.</summary>
/// <param name="Id">Given by whoever added them.</param>
/// <param name="Version">Version, to be sent back when saving.</param>
/// <param name="Name">Name or number the crew knows them by.</param>
/// <param name="Language">Language of their card.</param>
/// <param name="Left">Whether they have left.</param>
/// <param name="Crew">Crew they are in; null for none.</param>
/// <param name="Skills">What they may do; what their crew may where none is told.</param>
public sealed record WorkerView(
    Guid Id,
    uint Version,
    string Name,
    string Language,
    bool Left,
    Guid? Crew,
    IReadOnlyList<Hands> Skills
)
{
    internal static WorkerView Of(WorkerRecord w) =>
        new(w.Id, w.Version, w.Name, w.Language, w.HasLeft, w.CrewId, w.Skills);
}

/// <summary>Somebody who works in the rows to save, with the version they were read at; 0 for somebody new.</summary>
public sealed record SaveWorker(uint Version, WorkerEntry Worker);

internal static class CrewEndpoints
{
    public static RouteGroupBuilder MapCrew(this RouteGroupBuilder api)
    {
        var crew = api.MapGroup("").WithTags("Crew");
        crew.MapGet("/workers", All).For(Act.Practice).WithSummary("Who works in the rows, those who have left last");
        crew.MapPut("/workers/{id:guid}", Save).For(Act.Crew).WithSummary("Add somebody, or change their name or card");
        crew.MapDelete("/workers/{id:guid}", Remove)
            .For(Act.Crew)
            .WithSummary("Remove somebody of whom nothing is kept");
        return api;
    }

    private static async Task<Ok<IReadOnlyList<WorkerView>>> All(WorkerStore store, CancellationToken cancel) =>
        TypedResults.Ok<IReadOnlyList<WorkerView>>([.. (await store.AllAsync(cancel)).Select(WorkerView.Of)]);

    private static async Task<Ok<WorkerView>> Save(
        Guid id,
        SaveWorker body,
        WorkerStore store,
        CancellationToken cancel
    ) => TypedResults.Ok(WorkerView.Of(await store.SaveAsync(id, body.Worker, body.Version, cancel)));

    private static async Task<Results<NoContent, NotFound>> Remove(
        Guid id,
        WorkerStore store,
        CancellationToken cancel
    ) => await store.RemoveAsync(id, cancel) ? TypedResults.NoContent() : TypedResults.NotFound();
}
