using Rama.Core.Explain;
using Rama.Core.Systems;

namespace Rama.Web.Exchange;

/// <summary>How reports take plantings together.</summary>
internal static class ReportGroups
{
    /// <summary>The name of the group a planting belongs to; null for a way nobody knows.</summary>
    /// <param name="by"><c>planting</c>, <c>variety</c>, <c>system</c> or <c>site</c>.</param>
    /// <param name="systems">Training systems of the estate.</param>
    public static Func<ReportedPlanting, LocalText>? KeyOf(string by, IReadOnlyList<TrainingSystem> systems)
    {
        var names = systems.ToDictionary(s => s.Id, s => s.Name);
        return by switch
        {
            "planting" => p => Same($"{p.Code} {p.Name}".Trim()),
            "variety" => p => Same(p.Variety),
            "system" => p => names.GetValueOrDefault(p.System) ?? Same(p.System),
            "site" => p => Same(p.Site),
            _ => null,
        };
    }

    /// <summary>A name that is the same in all languages.</summary>
    /// <param name="name">The name.</param>
    public static LocalText Same(string name) => new(name, name);
}

/// <summary>What reports tell plantings apart by.</summary>
/// <param name="Code">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="Variety">Its variety.</param>
/// <param name="System">Its training system.</param>
/// <param name="Site">Its site.</param>
internal sealed record ReportedPlanting(string Code, string? Name, string Variety, string System, string Site);
