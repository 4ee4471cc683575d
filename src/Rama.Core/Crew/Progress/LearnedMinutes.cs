using MathNet.Numerics.LinearAlgebra;

namespace Rama.Core.Crew.Progress;

/// <summary>A row set done, against the hours expected of it.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="Crew">Who did it; null where nobody said.</param>
/// <param name="Ratio">log(actual ÷ expected).</param>
/// <param name="Trees">Trees of it, above 0.</param>
public readonly record struct WorkLog(Guid Planting, Guid? Crew, double Ratio, double Trees)
{
    /// <summary>Hours this many times those expected, or so much less, are a slip of the pen.</summary>
    public const double Believed = 4;

    /// <summary>A row set done; null where its hours cannot be believed.</summary>
    /// <param name="planting">The planting.</param>
    /// <param name="crew">Who did it.</param>
    /// <param name="actual">Hours it took.</param>
    /// <param name="expected">Hours expected of it.</param>
    /// <param name="trees">Trees of it.</param>
    public static WorkLog? Of(Guid planting, Guid? crew, double actual, double expected, double trees) =>
        trees > 0
        && actual > 0
        && expected > 0
        && Math.Abs(Math.Log(actual / expected)) is var off
        && off <= Math.Log(Believed)
            ? new(planting, crew, Math.Log(actual / expected), trees)
            : null;
}

/// <summary>How much longer plantings and crews take than expected, from the row sets done.</summary>
/// <remarks>
/// log(actual ÷ expected) = estate + planting + crew + what differs from set to set, all normal: s = 0.25 within a
/// set, τ = 0.35 for the three together, a third of its variance each, so that a single planting with a single crew
/// is what the handbook of the trade 8.2 has for it. Sets count by their trees. Source: derived, the parts assumed.
/// </remarks>
public sealed class LearnedMinutes
{
    internal const double Within = 0.25 * 0.25,
        Between = 0.35 * 0.35;

    private const double Part = Between / 3;

    private readonly Vector<double> _shared;
    private readonly Matrix<double> _spread;
    private readonly Dictionary<Guid, int> _crews;
    private readonly Dictionary<Guid, Alone> _plantings = [];

    private LearnedMinutes(IReadOnlyList<WorkLog> logs)
    {
        Logs = logs.Count;
        _crews = logs.Select(l => l.Crew)
            .OfType<Guid>()
            .Distinct()
            .Select((crew, i) => (crew, i))
            .ToDictionary(c => c.crew, c => c.i + 1);
        var size = _crews.Count + 1;
        var mean = logs.Count == 0 ? 1 : logs.Average(l => l.Trees);
        // Estate and crews together; each planting, of which there may be many, is taken out of the equations.
        var precision = Matrix<double>.Build.DenseDiagonal(size, size, 1 / Part);
        var told = Vector<double>.Build.Dense(size);
        foreach (var group in logs.GroupBy(l => l.Planting))
        {
            Alone alone = new(size);
            foreach (var log in group)
            {
                var weight = log.Trees / mean / Within;
                var at = Vector<double>.Build.Dense(size);
                at[0] = 1;
                if (log.Crew is { } crew)
                    at[_crews[crew]] = 1;
                precision += weight * at.OuterProduct(at);
                told += weight * log.Ratio * at;
                alone.Add(weight, log.Ratio, at);
            }
            precision -= alone.Shared.OuterProduct(alone.Shared) / alone.Precision;
            told -= alone.Shared * (alone.Told / alone.Precision);
            _plantings.Add(group.Key, alone);
        }
        _spread = precision.Inverse();
        _shared = _spread * told;
    }

    /// <summary>Row sets it rests on.</summary>
    public int Logs { get; }

    /// <summary>Learns.</summary>
    /// <param name="logs">Row sets done.</param>
    public static LearnedMinutes Of(IReadOnlyList<WorkLog> logs) => new(logs);

    /// <summary>How much longer a planting takes, whoever works in it.</summary>
    /// <param name="planting">The planting.</param>
    public LearnedFactor OfPlanting(Guid planting) => Of(planting, null);

    /// <summary>How much longer a crew takes than the others do, in any planting.</summary>
    /// <param name="crew">The crew.</param>
    public LearnedFactor OfCrew(Guid crew) =>
        _crews.TryGetValue(crew, out var i)
            ? new(_shared[i], Math.Sqrt(_spread[i, i]), true, Within)
            : new(0, Math.Sqrt(Part), false, Within);

    /// <summary>How much longer a planting takes with a crew.</summary>
    /// <param name="planting">The planting.</param>
    /// <param name="crew">The crew; null for one like the others.</param>
    public LearnedFactor Of(Guid planting, Guid? crew)
    {
        var at = Vector<double>.Build.Dense(_shared.Count);
        at[0] = 1;
        var fresh = 0.0;
        if (crew is { } id)
        {
            if (_crews.TryGetValue(id, out var i))
                at[i] = 1;
            else
                fresh = Part;
        }
        if (!_plantings.TryGetValue(planting, out var alone))
            return new(at * _shared, Math.Sqrt(at * _spread * at + Part + fresh), false, Within);
        // What the planting is, given estate and crews, goes against them.
        var of = at - alone.Shared / alone.Precision;
        return new(
            of * _shared + alone.Told / alone.Precision,
            Math.Sqrt(of * _spread * of + 1 / alone.Precision + fresh),
            true,
            Within
        );
    }

    // What the row sets of one planting say of it alone.
    private sealed class Alone(int size)
    {
        public double Precision { get; private set; } = 1 / Part;

        public double Told { get; private set; }

        public Vector<double> Shared { get; private set; } = Vector<double>.Build.Dense(size);

        public void Add(double weight, double ratio, Vector<double> at)
        {
            Precision += weight;
            Told += weight * ratio;
            Shared += weight * at;
        }
    }
}

/// <summary>How much longer work takes than expected, and how sure that is.</summary>
/// <param name="Mean">Mean of the logarithm.</param>
/// <param name="Sd">Its standard deviation.</param>
/// <param name="IsLogged">Whether row sets of it were logged, and not only others of the estate.</param>
/// <param name="Within">Variance from set to set.</param>
public sealed record LearnedFactor(double Mean, double Sd, bool IsLogged, double Within)
{
    // 5 % and 95 % of the normal distribution.
    private const double NineInTen = 1.6448536269514722;

    /// <summary>
    /// Hours over those expected: the mean of a lognormal where it was logged; else its median, so that it is 1 where
    /// nobody knows.
    /// </summary>
    public double Factor => IsLogged ? Math.Exp(Mean + (Sd * Sd + Within) / 2) : Math.Exp(Mean);

    /// <summary>How many times as long as the others, without what differs from set to set.</summary>
    public double Pace => Math.Exp(Mean);

    /// <summary>Low end of the pace, 9 in 10.</summary>
    public double Low => Math.Exp(Mean - NineInTen * Sd);

    /// <summary>High end of the pace, 9 in 10.</summary>
    public double High => Math.Exp(Mean + NineInTen * Sd);

    /// <summary>
    /// Ends of the factor of what is left, 9 in 10: as sure as it is known, and as its sets come out.
    /// </summary>
    /// <param name="setsLeft">Row sets left, 1 or more.</param>
    public (double Low, double High) EndsFor(int setsLeft)
    {
        var spread = Sd * Sd + Math.Log(1 + (Math.Exp(Within) - 1) / Math.Max(1, setsLeft));
        var centre = IsLogged ? Math.Log(Factor) - spread / 2 : Mean;
        var half = NineInTen * Math.Sqrt(spread);
        return (Math.Exp(centre - half), Math.Exp(centre + half));
    }
}
