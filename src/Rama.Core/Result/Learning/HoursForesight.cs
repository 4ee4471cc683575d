using MathNet.Numerics.Distributions;
using Rama.Core.Crew.Progress;
using Rama.Core.Estate;

namespace Rama.Core.Result.Learning;

/// <summary>Whether the hours learned foretell row sets better than those expected: a season told again.</summary>
public static class HoursForesight
{
    // Every day would be a fit of its own, in a season of thousands of row sets: a dozen tell as much.
    private const int MostStretches = 12;

    /// <summary>Each stretch of days foretold by the row sets before it.</summary>
    /// <param name="logs">Row sets done with their day.</param>
    /// <returns>Null before there are row sets of two days.</returns>
    public static BackTest? Of(IEnumerable<(DateOnly Day, WorkLog Log)> logs)
    {
        var ordered = logs.OrderBy(l => l.Day).ToList();
        List<DateOnly> days = [.. ordered.Select(l => l.Day).Distinct()];
        var stretch = Math.Max(1, (int)Math.Ceiling(days.Count / (double)MostStretches));
        List<SeasonForecast> foretold = [];
        foreach (var chunk in days.Chunk(stretch).Skip(1))
        {
            List<WorkLog> before = [.. ordered.TakeWhile(l => l.Day < chunk[0]).Select(l => l.Log)];
            var (learned, trees) = (LearnedMinutes.Of(before), before.Average(l => l.Trees));
            foreach (var (day, log) in ordered.Where(l => l.Day >= chunk[0] && l.Day <= chunk[^1]))
            {
                // Sets count by their trees, as they are learned from.
                var set = LearnedMinutes.Within * trees / log.Trees;
                var factor = learned.Of(log.Planting, log.Crew);
                foretold.Add(
                    SeasonForecast.Of(
                        day.Year,
                        log.Ratio,
                        new(factor.Mean, Math.Sqrt(factor.Sd * factor.Sd + set)),
                        new Normal(0, Math.Sqrt(LearnedMinutes.Between + set)),
                        before.Count
                    )
                );
            }
        }
        return BackTest.Of(LearnedQuantity.Hours, foretold);
    }
}
