using Rama.Core.Explain;
using Rama.Core.Season;

namespace Rama.Web.Passes;

/// <summary>A pass at a glance.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="From">First day it is planned for; null without an estimate.</param>
/// <param name="To">Last day.</param>
/// <param name="State">Where it stands.</param>
/// <param name="Hours">Hours paid; null where nobody can tell.</param>
/// <param name="Done">Share of it that is reported done.</param>
public sealed record PassGlance(string Id, DateOnly? From, DateOnly? To, PassState State, double? Hours, double Done)
{
    internal static IReadOnlyList<PassGlance> AllOf(PlantingYear year) =>
        [
            .. (year.Programme?.Passes ?? []).Select(p => new PassGlance(
                p.Id,
                p.From,
                p.To,
                p.State,
                p.Hours?.Paid,
                year.Done(p.Id)
            )),
        ];

    internal static IReadOnlyDictionary<string, LocalText> NamesOf(IEnumerable<PlantingYear> years) =>
        years.SelectMany(y => y.Programme?.Passes ?? []).DistinctBy(p => p.Id).ToDictionary(p => p.Id, p => p.Name);
}
