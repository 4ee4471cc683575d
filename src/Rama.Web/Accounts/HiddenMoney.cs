using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Plan;
using Rama.Core.Result;
using Rama.Web.Estate;
using Rama.Web.Plan;

namespace Rama.Web.Accounts;

/// <summary>
/// Takes money out of the answers to whoever is told none: what a wrong decision costs, prices received.
/// </summary>
internal static class HiddenMoney
{
    public static async ValueTask<object?> Filter(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        var answer = await next(context);
        return SignedInPerson.RoleOf(context.HttpContext.User) is { } role && !Permissions.May(role, Act.Money)
            ? Without(answer)
            : answer;
    }

    private static object? Without(object? answer) =>
        answer switch
        {
            INestedHttpResult nested => Without(nested.Result),
            Ok<PlantingView> { Value: { } view } => TypedResults.Ok(Without(view)),
            Ok<IReadOnlyList<ChangeView>> { Value: { } changes } => TypedResults.Ok<IReadOnlyList<ChangeView>>([
                .. changes.Where(c => !IsMoney(c.Field)).Select(Without),
            ]),
            Ok<PruningPlan> { Value: { } plan } => TypedResults.Ok(Without(plan)),
            Conflict<EditConflict> { Value: { } conflict } => TypedResults.Conflict(
                conflict with
                {
                    Current = Without(conflict.Current),
                }
            ),
            _ => answer,
        };

    private static PlantingView Without(PlantingView view) =>
        view with
        {
            Plan = Without(view.Plan),
            Records = view.Records with { Seasons = [.. view.Records.Seasons.Select(Without)] },
        };

    private static SeasonResultEntry Without(SeasonResultEntry season) =>
        season.Counts?.PricePerKg is null ? season : season with { Counts = season.Counts with { PricePerKg = null } };

    // What was added or removed as a whole is told field by field, parted by semicolons.
    private static ChangeView Without(ChangeView change) =>
        change.Field.Length > 0 ? change : change with { Old = Without(change.Old), New = Without(change.New) };

    private static string? Without(string? fields) =>
        fields is null ? null : string.Join("; ", fields.Split("; ").Where(f => !IsMoney(f.Split(": ")[0])));

    private static bool IsMoney(string field) => field.Split('.')[^1] is "pricePerKg" or "costOver" or "costUnder";

    private static PruningPlan Without(PruningPlan plan) => plan with { Stakes = null };
}
