using Microsoft.AspNetCore.Authorization;
using Rama.Data.People;

namespace Rama.Web.Accounts;

/// <summary>What can be done in an estate.</summary>
public enum Act
{
    /// <summary>See plantings, plans, cards and history.</summary>
    Read,

    /// <summary>See prices, costs and what a choice is worth.</summary>
    Money,

    /// <summary>Take tables out as files.</summary>
    Export,

    /// <summary>See who works in the rows and how their practice goes, and keep practice trees.</summary>
    Practice,

    /// <summary>Enter counted trees.</summary>
    Count,

    /// <summary>Enter rows and the trees that stand out in them.</summary>
    Rows,

    /// <summary>Set tolerance and cap of the cuts.</summary>
    Settings,

    /// <summary>Say who works in the rows.</summary>
    Crew,

    /// <summary>Report passes done.</summary>
    Report,

    /// <summary>Propose targets.</summary>
    Propose,

    /// <summary>Set targets.</summary>
    Target,

    /// <summary>Plan passes: add, move, leave out; say what a site is like.</summary>
    Plan,

    /// <summary>Add, change and remove plantings.</summary>
    Plantings,

    /// <summary>Enter what past seasons brought.</summary>
    Records,

    /// <summary>Change the estate's catalogue.</summary>
    Catalogue,

    /// <summary>Close a season and begin another.</summary>
    Season,

    /// <summary>Take files in, and take the whole estate out.</summary>
    Exchange,

    /// <summary>Say who belongs to the estate, and add estates.</summary>
    People,
}

/// <summary>Who may do what. docs/roles.md tells the same endpoint by endpoint, and a test walks it.</summary>
internal static class Permissions
{
    /// <summary>
    /// Whether a role may do it. Each may do what those before it may, but for counters: who comes for some days to
    /// count is told no money and takes no files along.
    /// </summary>
    /// <param name="role">The role.</param>
    /// <param name="act">What is to be done.</param>
    public static bool May(Role role, Act act) =>
        act switch
        {
            Act.Read => true,
            Act.Money or Act.Export => role != Role.Counter,
            Act.Count or Act.Rows => role >= Role.Counter,
            Act.Practice or Act.Settings or Act.Crew or Act.Report or Act.Propose => role >= Role.CrewLead,
            _ => role == Role.Manager,
        };

    /// <summary>What a role may do.</summary>
    public static IReadOnlyList<Act> Of(Role role) => [.. Enum.GetValues<Act>().Where(act => May(role, act))];

    public static void Define(AuthorizationOptions options)
    {
        // What is of oneself is of a person.
        options.DefaultPolicy = new AuthorizationPolicyBuilder()
            .RequireAuthenticatedUser()
            .RequireAssertion(asked => !MachineTokens.IsMachine(asked.User))
            .Build();
        foreach (var scope in Enum.GetValues<MachineScope>())
            options.AddPolicy(Policy(scope), policy => policy.RequireClaim(MachineTokens.ScopeClaim, scope.ToString()));
        foreach (var act in Enum.GetValues<Act>())
            options.AddPolicy(Policy(act), policy =>
                policy
                    .RequireAuthenticatedUser()
                    .RequireRole(Enum.GetValues<Role>().Where(role => May(role, act)).Select(role => role.ToString()))
            );
    }

    /// <summary>Opens an endpoint, or a group, to those who may do this.</summary>
    public static TBuilder For<TBuilder>(this TBuilder endpoint, Act act)
        where TBuilder : IEndpointConventionBuilder => endpoint.RequireAuthorization(Policy(act));

    /// <summary>Opens an endpoint to machines of a scope, and to nobody else.</summary>
    public static TBuilder ForMachines<TBuilder>(this TBuilder endpoint, MachineScope scope)
        where TBuilder : IEndpointConventionBuilder => endpoint.RequireAuthorization(Policy(scope));

    private static string Policy(MachineScope scope) => $"machine-{scope}";

    private static string Policy(Act act) => $"may-{act}";
}
