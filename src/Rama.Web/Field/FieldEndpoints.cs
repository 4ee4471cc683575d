using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Count.Vigour;
using Rama.Core.Crops;
using Rama.Data.Count;
using Rama.Data.Database;
using Rama.Data.Field;
using Rama.Data.Plan;
using Rama.Data.Training.Rework;
using Rama.Web.Accounts;

namespace Rama.Web.Field;

/// <summary>What the field told.</summary>
/// <param name="Id">The entry.</param>
/// <param name="Kind">What it tells.</param>
/// <param name="State">What became of it.</param>
/// <param name="Row">Row number; null where it is about the planting.</param>
/// <param name="Tree">Tree in the row; null for a whole row.</param>
/// <param name="At">When it was made.</param>
/// <param name="Person">Who made it.</param>
/// <param name="Body">What is told, in the form of its kind; null where it only takes another back.</param>
/// <param name="InForce">In a conflict: what is in force instead.</param>
public sealed record FieldEntryView(
    Guid Id,
    FieldKind Kind,
    FieldState State,
    int? Row,
    int? Tree,
    DateTimeOffset At,
    string? Person,
    JsonElement? Body,
    JsonElement? InForce
)
{
    internal static FieldEntryView Of(FieldEntryRecord record, FieldHandler handler, FieldGround ground) =>
        new(
            record.Id,
            handler.Kind,
            record.State,
            record.Row,
            record.Tree,
            record.At,
            record.Person,
            handler.BodyOf(record),
            record.State == FieldState.Conflict ? handler.InForce(ground, record) : null
        );
}

/// <summary>What one person told from the field.</summary>
/// <param name="Person">Who.</param>
/// <param name="Trees">Trees counted.</param>
/// <param name="Last">When the last entry was made.</param>
public sealed record CounterView(string? Person, int Trees, DateTimeOffset Last);

/// <summary>A photograph.</summary>
/// <param name="Id">The photograph.</param>
/// <param name="Row">Row; null for the planting.</param>
/// <param name="Tree">Tree; null for the row.</param>
/// <param name="At">When it was taken.</param>
/// <param name="Person">Who took it.</param>
/// <param name="Caption">What it shows; null for nothing.</param>
public sealed record PhotoView(Guid Id, int? Row, int? Tree, DateTimeOffset At, string? Person, string? Caption);

/// <summary>All the field told of a planting.</summary>
/// <param name="Entries">Its entries, the latest first.</param>
/// <param name="Counters">Who counted how much.</param>
/// <param name="Vigour">What the vigour walk says; null without marks.</param>
/// <param name="Photos">Photographs.</param>
public sealed record FieldView(
    IReadOnlyList<FieldEntryView> Entries,
    IReadOnlyList<CounterView> Counters,
    VigourSummary? Vigour,
    IReadOnlyList<PhotoView> Photos
);

/// <summary>How a conflict is settled.</summary>
/// <param name="Take">Whether this entry takes the place of what the count says; otherwise it is set aside.</param>
/// <param name="InForce">What the count said when the choice was made, as it was answered.</param>
public sealed record ChooseEntry(bool Take, JsonElement? InForce);

internal static class FieldEndpoints
{
    public static RouteGroupBuilder MapField(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("").WithTags("Field");
        group
            .MapPost("/field", Send)
            .For(Act.Count)
            .Accepts<FieldBatch>("application/json")
            .WithSummary("Send what was entered in the field; an entry sent twice is one");
        group
            .MapGet("/plantings/{id:guid}/field", Read)
            .For(Act.Read)
            .WithSummary("What the field told of a planting in a season");
        group
            .MapPut("/plantings/{id:guid}/field/{entry:guid}", Choose)
            .For(Act.Count)
            .WithSummary("Settle a conflict between two counts of one tree");
        return api;
    }

    private static async Task<Ok<IReadOnlyList<FieldReceipt>>> Send(
        HttpRequest request,
        FieldInbox inbox,
        CancellationToken cancel
    )
    {
        SentFieldBatch? batch;
        try
        {
            batch = await JsonSerializer.DeserializeAsync<SentFieldBatch>(request.Body, StrictJson.Options, cancel);
        }
        catch (JsonException e)
        {
            throw new BadHttpRequestException("This is no batch.", StatusCodes.Status400BadRequest, e);
        }
        var mayReport =
            SignedInPerson.RoleOf(request.HttpContext.User) is { } role && Permissions.May(role, Act.Report);
        return TypedResults.Ok(
            await inbox.TakeAsync(batch ?? throw new BadHttpRequestException("null"), mayReport, cancel)
        );
    }

    private static async Task<Results<Ok<FieldView>, NotFound>> Read(
        Guid id,
        PlantingStore plantings,
        FieldInbox inbox,
        FieldHandlers handlers,
        PhotoStore photos,
        ReworkStore rework,
        HttpContext http,
        CancellationToken cancel,
        int? season = null
    )
    {
        if (await plantings.FindAsync(id, cancel, season) is not { } stored)
            return TypedResults.NotFound();
        // Who worked where, and how well, is for those who lead them.
        var mayReport = SignedInPerson.RoleOf(http.User) is { } role && Permissions.May(role, Act.Report);
        var entries = (await inbox.EntriesAsync(id, stored.Plan.Season, cancel))
            .Where(e => mayReport || e.Kind is not { } kind || !handlers.Of(kind).IsReport)
            .ToList();
        FieldGround ground = new(stored.Plan, await rework.GroundOfAsync(stored.Planting, cancel));
        var marks = entries
            .Where(e => e is { Kind: FieldKind.Mark, State: FieldState.InForce })
            .Select(e => handlers.Of<MarksFromField>().BodyOf(e).Read())
            .ToList();
        var crop = stored.Catalogue.Variety(stored.Planting.Variety)?.Crop;
        return TypedResults.Ok(
            new FieldView(
                [
                    .. entries
                        .Where(e => e.Kind is not null)
                        .Select(e => FieldEntryView.Of(e, handlers.Of(e.Kind!.Value), ground)),
                ],
                [
                    .. entries
                        .Where(e => e is { Kind: FieldKind.Tree, State: FieldState.InForce or FieldState.Conflict })
                        .GroupBy(e => e.Person)
                        .Select(g => new CounterView(g.Key, g.Count(), g.Max(e => e.At)))
                        .OrderByDescending(c => c.Last),
                ],
                VigourSummary.Of(marks, crop is null ? BearingHabit.MixedBud : stored.Catalogue.Crop(crop).Habit),
                [
                    .. (await photos.ListAsync(id, stored.Plan.Season, cancel)).Select(p => new PhotoView(
                        p.Id,
                        p.Row,
                        p.Tree,
                        p.At,
                        p.Person,
                        p.Caption
                    )),
                ]
            )
        );
    }

    private static async Task<Results<NoContent, NotFound>> Choose(
        Guid id,
        Guid entry,
        ChooseEntry body,
        FieldInbox inbox,
        CancellationToken cancel
    ) =>
        await inbox.ChooseAsync(id, entry, body.Take, body.InForce, cancel)
            ? TypedResults.NoContent()
            : TypedResults.NotFound();
}
