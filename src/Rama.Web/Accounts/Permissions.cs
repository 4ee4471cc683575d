using Microsoft.AspNetCore.Authorization;
using Rama.Data.People;

namespace Rama.Web.Accounts;

/// <summary>What can be done in an estate.</summary>
public enum Act
{
    /// <summary>See plantings, plans, cards and history.</summary>
    Read,

    /// <summary>Enter counted trees.</summary>
    Count,

    /// <summary>Enter rows and the trees that stand out in them.</summary>
    Rows,

    /// <summary>Set tolerance and cap of the cuts.</summary>
    Settings,

    /// <summary>Say who works in the rows.</summary>
    Crew,

    /// <summary>Propose targets.</summary>
    Propose,

    /// <summary>Set targets.</summary>
    Target,

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
    /// <summary>The least role that may do it; every higher one may too.</summary>
    public static Role Least(Act act) =>
        act switch
        {
            Act.Read => Role.Reader,
            Act.Count or Act.Rows => Role.Counter,
            Act.Settings or Act.Crew or Act.Propose => Role.CrewLead,
            _ => Role.Manager,
        };

    /// <summary>What a role may do.</summary>
    public static IReadOnlyList<Act> Of(Role role) => [.. Enum.GetValues<Act>().Where(act => Least(act) <= role)];

    public static void Define(AuthorizationOptions options)
    {
        foreach (var act in Enum.GetValues<Act>())
            options.AddPolicy(Policy(act), policy =>
                policy
                    .RequireAuthenticatedUser()
                    .RequireRole(
                        Enum.GetValues<Role>().Where(role => role >= Least(act)).Select(role => role.ToString())
                    )
            );
    }

    /// <summary>Opens an endpoint, or a group, to those who may do this.</summary>
    public static TBuilder For<TBuilder>(this TBuilder endpoint, Act act)
        where TBuilder : IEndpointConventionBuilder => endpoint.RequireAuthorization(Policy(act));

    private static string Policy(Act act) => $"may-{act}";
}
