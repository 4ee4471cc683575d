using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Rama.Core.Explain;
using Rama.Data.Database;
using Rama.Data.People;

namespace Rama.Web.Accounts;

/// <summary>A machine's token; what the machine shows is told only when it is made.</summary>
/// <param name="Id">The token.</param>
/// <param name="Name">The machine.</param>
/// <param name="Scope">What it may do.</param>
/// <param name="MadeBy">Who made it.</param>
/// <param name="MadeAt">When.</param>
/// <param name="UsedAt">When it was last used, to about ten minutes; null while it never was.</param>
public sealed record MachineTokenView(
    Guid Id,
    string Name,
    MachineScope Scope,
    string MadeBy,
    DateTimeOffset MadeAt,
    DateTimeOffset? UsedAt
);

/// <summary>A token made.</summary>
/// <param name="Token">The token.</param>
/// <param name="Secret">What the machine shows, told this once.</param>
public sealed record MadeMachineToken(MachineTokenView Token, string Secret);

/// <summary>A token to make.</summary>
public sealed record MachineTokenEntry
{
    /// <summary>The machine, as the estate calls it.</summary>
    public string? Name { get; init; }

    /// <summary>What it may do.</summary>
    public MachineScope Scope { get; init; }
}

internal static class MachineTokenEndpoints
{
    public static RouteGroupBuilder MapMachineTokens(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("").WithTags("Machines").For(Act.People);
        group.MapGet("/machine-tokens", All).WithSummary("Tokens of machines");
        group
            .MapPost("/machine-tokens", Make)
            .WithSummary("Make a token for a machine: what it shows is told this once");
        group
            .MapDelete("/machine-tokens/{id:guid}", Withdraw)
            .WithSummary("Withdraw a machine's token: it is no longer good at once");
        return api;
    }

    private static async Task<Ok<IReadOnlyList<MachineTokenView>>> All(
        RamaContext database,
        CancellationToken cancel
    ) =>
        TypedResults.Ok<IReadOnlyList<MachineTokenView>>([
            .. (await database.MachineTokens.AsNoTracking().OrderBy(t => t.Id).ToListAsync(cancel)).Select(View),
        ]);

    private static async Task<Ok<MadeMachineToken>> Make(
        MachineTokenEntry entry,
        RamaContext database,
        EstateScope scope,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var reader = new EntryReader();
        var name = reader.Text("machine", "Machine", entry.Name, 100);
        reader.ThrowIfAny();
        if (await database.MachineTokens.CountAsync(cancel) >= MachineTokens.MostOfEstate)
            throw new UnusableEntryException([
                new("machine", "full", $"Machine: {MachineTokens.MostOfEstate} tokens are good. Withdraw some first."),
            ]);
        var (text, kept) = MachineTokens.New(scope.EstateId);
        MachineTokenRecord token = new()
        {
            EstateId = scope.EstateId,
            Secret = kept,
            Name = name,
            Scope = entry.Scope,
            MadeBy = scope.Author!.Name,
            MadeAt = clock.GetUtcNow(),
        };
        database.Add(token);
        await database.SaveChangesAsync(cancel);
        return TypedResults.Ok(new MadeMachineToken(View(token), text));
    }

    private static async Task<Results<NoContent, NotFound>> Withdraw(
        Guid id,
        RamaContext database,
        CancellationToken cancel
    )
    {
        if (await database.MachineTokens.SingleOrDefaultAsync(t => t.Id == id, cancel) is not { } token)
            return TypedResults.NotFound();
        database.Remove(token);
        await database.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static MachineTokenView View(MachineTokenRecord t) =>
        new(t.Id, t.Name, t.Scope, t.MadeBy, t.MadeAt, t.UsedAt);
}
