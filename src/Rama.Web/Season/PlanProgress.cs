namespace Rama.Web.Season;

/// <summary>How working out the plans of an estate goes on, for whoever watches a unit of work.</summary>
internal sealed class PlanProgress
{
    private readonly TaskCompletionSource<int> _found = new(TaskCreationOptions.RunContinuationsAsynchronously);
    private int _left;

    /// <summary>Cores it may take; all of them, where somebody waits for it.</summary>
    public int Cores { get; init; } = Environment.ProcessorCount;

    /// <summary>Plans that were to be worked out, once that is known.</summary>
    public Task<int> Found => _found.Task;

    /// <summary>Plans still to be worked out; null before it is known.</summary>
    public int? Left => _found.Task.IsCompletedSuccessfully ? Volatile.Read(ref _left) : null;

    /// <summary>So many are to be worked out.</summary>
    public void Begin(int plans)
    {
        Volatile.Write(ref _left, plans);
        _found.TrySetResult(plans);
    }

    /// <summary>One more is.</summary>
    public void Done() => Interlocked.Decrement(ref _left);
}
