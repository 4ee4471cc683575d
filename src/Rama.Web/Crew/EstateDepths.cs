using Rama.Core.Crew.Depth;
using Rama.Core.Crew.Schedule;
using Rama.Core.Crew.Trial;
using Rama.Core.Decide;
using Rama.Core.Plan;
using Rama.Core.Season;
using Rama.Data.Plan;
using Rama.Web.Passes;
using Rama.Web.Season;

namespace Rama.Web.Crew;

/// <summary>How deep a planting may be pruned, or what was decided instead of its count.</summary>
/// <param name="Depths">Its depths; null where there is nothing to trade.</param>
/// <param name="Held">What was decided instead; null where the count decides.</param>
/// <param name="HeldReason">Why.</param>
internal sealed record KnownDepths(PlantingDepths? Depths, DecisionKind? Held, string? HeldReason)
{
    public static KnownDepths Of(StoredPlanting stored)
    {
        var reading = PlanReading.Of(stored.ToEntry(), stored.Catalogue);
        return new(PlantingDepths.Of(reading), reading.Settings.Held, reading.Settings.HeldReason);
    }
}

/// <summary>Reads how deep the plantings of the estate in scope may be pruned.</summary>
internal sealed class EstateDepths(PlanCache plans)
{
    /// <summary>The depths of plantings with winter work at hand, with the version of their plan.</summary>
    /// <param name="work">The work at hand.</param>
    /// <param name="cancel">Stops it.</param>
    /// <param name="only">Plantings wanted; all when left out.</param>
    public async Task<IReadOnlyList<WorkDepths>> ReadAsync(
        EstateWork work,
        CancellationToken cancel,
        IReadOnlyCollection<Guid>? only = null
    )
    {
        var byPlanting = work
            .Works.Values.GroupBy(w => w.Planting.Planting.Id)
            .Where(g => g.Any(w => w.Work.Pass.IsWinter) && only?.Contains(g.Key) != false)
            .ToDictionary(g => g.Key, g => (g.First().Planting, Works: g.Select(w => w.Work).ToList()));
        var season = work.Year.Season;
        var told = await plans.ReadAsync("depth", season, season, KnownDepths.Of, cancel, byPlanting.Keys.ToHashSet());
        return
        [
            .. told.Select(t => new WorkDepths(
                byPlanting[t.Version.Id].Planting,
                t.Version.Plan,
                byPlanting[t.Version.Id].Works,
                t.Told
            )),
        ];
    }
}

/// <summary>The winter work of a planting at each depth.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="Version">Version of its plan.</param>
/// <param name="Works">Its work at hand.</param>
/// <param name="Known">How deep it may be pruned.</param>
internal sealed record WorkDepths(PlantingYear Planting, uint Version, IReadOnlyList<PassWork> Works, KnownDepths Known)
{
    /// <summary>Other ways to do its work, with structure only or less.</summary>
    public IReadOnlyDictionary<string, WorkWays> Ways(CutDepth depth = CutDepth.Structure) =>
        PassWork.WaysOf(Planting.Planting.Id, Works, Known.Depths?.At(depth), Known.Depths?.At(CutDepth.Full));

    /// <summary>Winter work at hand.</summary>
    public IEnumerable<CrewTask> Winter => Works.Where(w => w.Pass.IsWinter).Select(w => w.Task);

    /// <summary>What each depth takes and gives up of what is left to do; null where there is nothing to
    /// trade.</summary>
    public DepthChoice? ToChoice() =>
        Known.Depths is not { } depths
            ? null
            : new(
                Planting.Planting.Id.ToString(),
                [
                    .. depths.Depths.Select(d =>
                    {
                        var ways = Ways(d.Depth);
                        return new DepthOption(
                            d.Depth,
                            Winter.Sum(t => t.Hours * (d.Depth == CutDepth.Full ? 1 : ways[t.Id].LessShare!.Value)),
                            -ways.Values.Sum(way => way.MarginLost)
                        );
                    }),
                ]
            );
}
