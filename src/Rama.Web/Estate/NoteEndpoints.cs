using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Estate;
using Rama.Data.Estate;
using Rama.Data.Estate.Notes;
using Rama.Web.Accounts;

namespace Rama.Web.Estate;

/// <summary>A note at a planting.</summary>
/// <param name="Id">The note.</param>
/// <param name="Version">Version, to be sent back when saving.</param>
/// <param name="Text">What to remember.</param>
/// <param name="ComeBack">Day to come back to it; null for none.</param>
/// <param name="InRow">Whether whoever works in the row is told.</param>
/// <param name="IsDue">Whether its day has come and it is open.</param>
/// <param name="Done">Day it was done; null while it is open.</param>
/// <param name="At">When it was made.</param>
/// <param name="Person">Who made it; null for Rama itself.</param>
public sealed record NoteView(
    Guid Id,
    uint Version,
    string Text,
    DateOnly? ComeBack,
    bool InRow,
    bool IsDue,
    DateOnly? Done,
    DateTimeOffset At,
    string? Person
)
{
    internal static NoteView Of(PlantingNoteRecord record, DateOnly today) =>
        new(
            record.Id,
            record.Version,
            record.Text,
            record.ComeBack,
            record.InRow,
            record.Done is null && record.ToNote().IsDue(today),
            record.Done,
            record.At,
            record.Person
        );
}

/// <summary>A note whose day has come.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="Code">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="Note">The note.</param>
public sealed record DueNote(Guid Planting, string Code, string Name, NoteView Note);

/// <summary>A note to save, with the version it was read at; 0 for a new one.</summary>
public sealed record SaveNote(uint Version, PlantingNoteEntry Note);

/// <summary>Whether a note is done, with the version it was read at.</summary>
public sealed record NoteDone(uint Version, bool IsDone);

internal static class NoteEndpoints
{
    public static RouteGroupBuilder MapNotes(this RouteGroupBuilder api)
    {
        const string path = "/plantings/{id:guid}/notes/{note:guid}";
        var group = api.MapGroup("").WithTags("Estate").For(Act.Read);
        group.MapGet("/plantings/{id:guid}/notes", Of).WithSummary("Notes at a planting, the open ones first");
        group.MapGet("/notes/due", Due).WithSummary("Open notes of all plantings whose day has come");
        group.MapPut(path, Save).For(Act.Settings).WithSummary("Make or change a note at a planting");
        group.MapPut(path + "/done", Done).For(Act.Settings).WithSummary("Say that a note is done, or open again");
        group.MapDelete(path, Remove).For(Act.Settings).WithSummary("Remove a note");
        return api;
    }

    private static async Task<Results<Ok<IReadOnlyList<NoteView>>, NotFound>> Of(
        Guid id,
        NoteStore store,
        EstateStore estates,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (!await store.IsPlantingAsync(id, cancel))
            return TypedResults.NotFound();
        var today = (await estates.ReadAsync(cancel)).TodayBy(clock);
        return TypedResults.Ok<IReadOnlyList<NoteView>>([
            .. (await store.OfAsync(id, cancel)).Select(n => NoteView.Of(n, today)),
        ]);
    }

    private static async Task<Ok<IReadOnlyList<DueNote>>> Due(
        NoteStore store,
        EstateStore estates,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var today = (await estates.ReadAsync(cancel)).TodayBy(clock);
        return TypedResults.Ok<IReadOnlyList<DueNote>>([
            .. (await store.DueAsync(today, cancel)).Select(n => new DueNote(
                n.PlantingId,
                n.Planting!.Code,
                n.Planting.Name,
                NoteView.Of(n, today)
            )),
        ]);
    }

    private static async Task<Results<NoContent, NotFound>> Save(
        Guid id,
        Guid note,
        SaveNote body,
        NoteStore store,
        EstateStore estates,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var today = (await estates.ReadAsync(cancel)).TodayBy(clock);
        return await store.SaveAsync(id, note, body.Version, body.Note.Read(today), cancel)
            ? TypedResults.NoContent()
            : TypedResults.NotFound();
    }

    private static async Task<Results<NoContent, NotFound>> Done(
        Guid id,
        Guid note,
        NoteDone body,
        NoteStore store,
        EstateStore estates,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        DateOnly? done = body.IsDone ? (await estates.ReadAsync(cancel)).TodayBy(clock) : null;
        return await store.DoneAsync(id, note, body.Version, done, cancel)
            ? TypedResults.NoContent()
            : TypedResults.NotFound();
    }

    private static async Task<Results<NoContent, NotFound>> Remove(
        Guid id,
        Guid note,
        NoteStore store,
        CancellationToken cancel
    ) => await store.RemoveAsync(id, note, cancel) ? TypedResults.NoContent() : TypedResults.NotFound();
}
