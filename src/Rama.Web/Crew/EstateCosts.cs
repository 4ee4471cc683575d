using Rama.Core.Crew;
using Rama.Core.Crew.Cost;
using Rama.Core.Explain;
using Rama.Data.Crew;
using Rama.Web.Passes;

namespace Rama.Web.Crew;

/// <summary>What the work of an estate costs, taken together in several ways, and who is paid for it.</summary>
/// <param name="ByPlanting">By planting.</param>
/// <param name="ByPass">By pass.</param>
/// <param name="ByCrew">By crew; what is planned has none yet.</param>
/// <param name="Total">All of it.</param>
/// <param name="Pay">Pay by week and person.</param>
internal sealed record EstateCosts(
    IReadOnlyList<(PlantingYear Planting, WorkCost Cost)> ByPlanting,
    IReadOnlyList<(string Pass, LocalText Name, WorkCost Cost)> ByPass,
    IReadOnlyList<(KeptCrew? Crew, WorkCost Cost)> ByCrew,
    WorkCost Total,
    IReadOnlyList<PayLine> Pay
)
{
    /// <summary>Puts it together.</summary>
    /// <param name="work">The work at hand with its plan.</param>
    public static EstateCosts Of(EstateWork work)
    {
        var crews = work.Year.Crews.ToDictionary(c => c.Record.Id);
        PayRate RateOf(Guid? crew) =>
            crew is { } id && crews.GetValueOrDefault(id) is { Sheet: var sheet }
                ? new(sheet.WagePerHour ?? CrewSheet.UsualWage, sheet.PiecePerTree)
                : new(work.Wage);
        var placed = work.Plan().Tasks.ToDictionary(t => t.Task);
        List<CostLine> lines = [];
        List<PaidWork> paid = [];
        foreach (var planting in work.Year.Plantings)
        {
            foreach (var (pass, reports) in planting.Reports)
            {
                var works = PaidWork.Of(reports, planting.Planting.TreesByRow, RateOf);
                paid.AddRange(works);
                lines.AddRange(works.Select(w => new CostLine(planting, pass, w.Report.Crew, SoFar(w))));
            }
            foreach (var pass in planting.Programme?.Passes ?? [])
                if (
                    pass.Hours is { } hours
                    && (planting.Reports.ContainsKey(pass.Id) || work.Works.ContainsKey(IdOf(planting, pass.Id)))
                )
                    lines.Add(
                        new(planting, pass.Id, null, new(PlannedHours: hours.Paid, Planned: hours.Paid * work.Wage))
                    );
        }
        foreach (var (id, (planting, task)) in work.Works)
        {
            var place = placed.GetValueOrDefault(id);
            var crew = place is null ? null : crews.GetValueOrDefault(Guid.Parse(place.Crew));
            var rate = RateOf(crew?.Record.Id);
            var hours = place?.Hours ?? task.Task.Hours;
            var trees = (planting.Planting.Facts?.Terms.Trees ?? 0) * task.Share;
            lines.Add(
                new(planting, task.Pass.Id, crew?.Record.Id, new(LeftHours: hours, Left: rate.For(hours, trees)))
            );
        }
        var names = work
            .Year.Plantings.SelectMany(p => p.Programme?.Passes ?? [])
            .DistinctBy(p => p.Id)
            .ToDictionary(p => p.Id, p => p.Name);
        return new(
            [
                .. lines
                    .GroupBy(l => l.Planting)
                    .Select(g => (g.Key, WorkCost.Of([.. g.Select(l => l.Part)], GroundOf(g.Key))))
                    .OrderBy(l => l.Key.Planting.Line.Code, StringComparer.CurrentCultureIgnoreCase),
            ],
            [
                .. lines
                    .GroupBy(l => l.Pass)
                    .Select(g =>
                        (
                            g.Key,
                            names.GetValueOrDefault(g.Key) ?? new LocalText(g.Key, g.Key),
                            WorkCost.Of([.. g.Select(l => l.Part)], new())
                        )
                    )
                    .OrderByDescending(l => l.Item3.Value),
            ],
            [
                .. lines
                    .Where(l => l.Part.Planned == 0)
                    .GroupBy(l => l.Crew)
                    .Select(g =>
                        (
                            g.Key is { } id ? crews.GetValueOrDefault(id) : null,
                            WorkCost.Of([.. g.Select(l => l.Part)], new())
                        )
                    )
                    .OrderBy(l => l.Item1?.Sheet.Name, StringComparer.CurrentCultureIgnoreCase),
            ],
            WorkCost.Of([.. lines.Select(l => l.Part)], new()),
            PaySheet.Of(paid)
        );
    }

    private static string IdOf(PlantingYear planting, string pass) =>
        Core.Season.PassWork.IdOf(planting.Planting.Id, pass);

    private static CostPart SoFar(PaidWork work) => new(SoFarHours: work.Hours, SoFar: work.Pay);

    private static CostGround GroundOf(PlantingYear planting) =>
        new(planting.Planting.Facts?.Terms.Trees, planting.Planting.Line.AreaHa, planting.Planting.Facts?.TonnesWanted);

    private sealed record CostLine(PlantingYear Planting, string Pass, Guid? Crew, CostPart Part);
}
