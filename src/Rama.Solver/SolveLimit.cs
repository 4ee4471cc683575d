namespace Rama.Solver;

/// <summary>How long a plan is improved.</summary>
/// <param name="Seconds">At most so many seconds.</param>
/// <param name="Workers">Threads that search; at least 1.</param>
/// <param name="Steps">At most so many of the solver's own steps of about a second each, which makes a run repeatable
/// with one thread; null for no such limit.</param>
public sealed record SolveLimit(double Seconds, int Workers = 2, double? Steps = null)
{
    /// <summary>A run that comes out the same every time, on every machine.</summary>
    /// <param name="steps">The solver's own steps.</param>
    public static SolveLimit Repeatable(double steps) => new(3_600, 1, steps);

    internal string Parameters =>
        FormattableString.Invariant($"max_time_in_seconds:{Seconds},num_workers:{Workers},random_seed:7")
        + (Steps is { } steps ? FormattableString.Invariant($",max_deterministic_time:{steps}") : "");
}
