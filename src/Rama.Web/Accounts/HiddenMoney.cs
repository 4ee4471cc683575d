using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Plan;
using Rama.Web.Plan;

namespace Rama.Web.Accounts;

/// <summary>Takes money out of the answers to whoever is told none: what a wrong decision costs.</summary>
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
            Ok<PruningPlan> { Value: { } plan } => TypedResults.Ok(Without(plan)),
            Conflict<EditConflict> { Value: { } conflict } => TypedResults.Conflict(
                conflict with
                {
                    Current = Without(conflict.Current),
                }
            ),
            _ => answer,
        };

    private static PlantingView Without(PlantingView view) => view with { Plan = Without(view.Plan) };

    private static PruningPlan Without(PruningPlan plan) => plan with { Stakes = null };
}
