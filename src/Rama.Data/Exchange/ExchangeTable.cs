using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Data.Database;
using Rama.Data.Estate;

namespace Rama.Data.Exchange;

/// <summary>A table that goes in and out of Rama: its columns, how a line is taken in, how the lines go out.</summary>
public abstract class ExchangeTable
{
    /// <summary>Name of the table and its file.</summary>
    public abstract string Name { get; }

    /// <summary>Its columns in the order they are written.</summary>
    public abstract IReadOnlyList<ExchangeColumn> Columns { get; }

    /// <summary>Fields of other columns that fill a required one too, by that one.</summary>
    public virtual IReadOnlyDictionary<string, IReadOnlyList<string>> Also { get; } =
        new Dictionary<string, IReadOnlyList<string>>();

    /// <summary>Whether a file may have a column for each season instead of a line.</summary>
    internal virtual bool HasYearColumns => false;

    /// <summary>Whether columns it does not know may be kept as free ones.</summary>
    public virtual bool KeepsFree => false;

    /// <summary>Begins taking lines into the estate.</summary>
    internal abstract Task<ITaking> BeginAsync(ImportTarget target, CancellationToken cancel);

    /// <summary>The lines of the estate, each with a cell per column and, after an amount, its unit.</summary>
    internal abstract Task<IEnumerable<IReadOnlyList<object?>>> WriteAsync(
        ExportSource source,
        CancellationToken cancel
    );

    /// <summary>Headers of the file written.</summary>
    internal virtual Task<IReadOnlyList<string>> HeadersAsync(ExportSource source, CancellationToken cancel) =>
        Task.FromResult(Headers);

    /// <summary>Headers of its columns: each, and after an amount its unit.</summary>
    public IReadOnlyList<string> Headers =>
        [
            .. Columns
                .Where(c => !c.IsReadOnly)
                .SelectMany(c => c.Kind == ColumnKind.Amount ? [c.Header, c.UnitHeader] : new[] { c.Header }),
        ];
}

/// <summary>Takes the lines of one file; nothing is saved here.</summary>
internal interface ITaking
{
    /// <summary>Takes one line, or tells what is wrong with it.</summary>
    void ReadLine(LineReader line);

    /// <summary>What can only be seen when all lines are there.</summary>
    void Finish();
}

/// <summary>What became of a line.</summary>
public enum LineOutcome
{
    /// <summary>It is new.</summary>
    Added,

    /// <summary>It changes what was known.</summary>
    Changed,

    /// <summary>It says what was known.</summary>
    Same,
}

/// <summary>The estate lines are taken into, and what was found on the way.</summary>
internal sealed class ImportTarget(RamaContext database, EstateRecord estate, Catalogue catalogue, DateTimeOffset now)
{
    private readonly List<LineProblem> _problems = [];
    private readonly List<LineProblem> _warnings = [];
    private readonly Dictionary<LineOutcome, int> _outcomes = [];

    /// <summary>Where the lines go.</summary>
    public RamaContext Database { get; } = database;

    /// <summary>The estate they belong to.</summary>
    public EstateRecord Estate { get; } = estate;

    /// <summary>When they come.</summary>
    public DateTimeOffset Now { get; } = now;

    /// <summary>What they may name.</summary>
    public Catalogue Catalogue { get; } = catalogue;

    /// <summary>What keeps a line from being taken, the first of them.</summary>
    public IReadOnlyList<LineProblem> Problems => _problems;

    /// <summary>What is odd and taken all the same.</summary>
    public IReadOnlyList<LineProblem> Warnings => _warnings;

    /// <summary>Lines that came out so.</summary>
    public int Count(LineOutcome outcome) => _outcomes.GetValueOrDefault(outcome);

    /// <summary>Counts lines that came out so.</summary>
    public void Was(LineOutcome outcome, int lines = 1) => _outcomes[outcome] = Count(outcome) + lines;

    /// <summary>Tells what is wrong with a line.</summary>
    public void Add(int line, FieldProblem problem) =>
        _problems.Add(new(line, problem.Field, problem.Code, problem.Message));

    /// <summary>Tells what is wrong with a line.</summary>
    public void Add(int line, string field, string code, string message) =>
        _problems.Add(new(line, field, code, message));

    /// <summary>Tells what is odd about a line.</summary>
    public void Warn(int line, string field, string code, string message) =>
        _warnings.Add(new(line, field, code, message));

    /// <summary>Runs a reading; its problems are filed under the line. False when there were any.</summary>
    public bool Read(int line, Action read)
    {
        try
        {
            read();
            return true;
        }
        catch (UnusableEntryException e)
        {
            foreach (var problem in e.Problems)
                Add(line, problem);
            return false;
        }
    }
}

/// <summary>Something wrong with a line.</summary>
/// <param name="Line">Number of the line in the file; 0 for the file as a whole.</param>
/// <param name="Field">The field.</param>
/// <param name="Code">What is wrong, as in <see cref="FieldProblem"/>.</param>
/// <param name="Message">What is expected, in English.</param>
/// <param name="Value">What stands there, as text.</param>
public sealed record LineProblem(int Line, string Field, string Code, string Message, string? Value = null);
