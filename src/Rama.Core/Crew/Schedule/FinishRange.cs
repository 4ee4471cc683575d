namespace Rama.Core.Crew.Schedule;

/// <summary>Days between which a task is finished, nine times in ten.</summary>
/// <param name="First">Early end.</param>
/// <param name="Last">Late end.</param>
public sealed record FinishRange(DateOnly First, DateOnly Last)
{
    private const int Known = CrewProblem.Days;

    /// <summary>
    /// The range of a task in a plan: its hours as many times those planned as its logs leave open, on days of its crew
    /// that will do, nothing else in between.
    /// </summary>
    /// <param name="problem">The problem.</param>
    /// <param name="task">The task.</param>
    /// <param name="placed">Its place.</param>
    /// <param name="low">Hours over those planned, low end.</param>
    /// <param name="high">The same, high end.</param>
    /// <remarks>Source: derived; days lost are those the plan knows of.</remarks>
    public static FinishRange Of(CrewProblem problem, CrewTask task, PlacedTask placed, double low, double high)
    {
        var crew = problem.Crews.First(c => c.Id == placed.Crew);
        var halves = placed.Spans.Sum(s => s.To - s.From);
        DateOnly After(double factor)
        {
            var left = Math.Max(1, (int)Math.Ceiling(halves * factor - 1e-9));
            var half = placed.Begin;
            for (; half < Known * CrewProblem.HalvesPerDay; half++)
            {
                var day = problem.DayOf(half);
                if (crew.Calendar.Works(day) && task.Weather?.IsUsable(day, problem.Start) != false && --left == 0)
                    break;
            }
            return problem.DayOf(half);
        }
        return new(After(low), After(high));
    }
}
