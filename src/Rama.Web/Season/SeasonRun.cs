namespace Rama.Web.Season;

/// <summary>A season page that is being worked out, apart from those who asked for it.</summary>
internal sealed class SeasonRun
{
    private readonly TaskCompletionSource<SeasonView> _view = new(TaskCreationOptions.RunContinuationsAsynchronously);

    /// <summary>How far it is. It leaves half the cores to those who ask for pages meanwhile.</summary>
    public PlanProgress Progress { get; } = new() { Cores = Math.Max(1, Environment.ProcessorCount / 2) };

    /// <summary>
    /// The how manieth try it is to work out what was saved, so that what it tells may be new; 0 for none.
    /// </summary>
    public int AfterSaves { get; set; }

    /// <summary>The page, once it is there.</summary>
    public Task<SeasonView> View => _view.Task;

    /// <summary>Whether it is there, or little is to be done for it: asked for at most so long.</summary>
    /// <param name="patience">How long one waits to know.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<bool> IsSoonAsync(TimeSpan patience, CancellationToken cancel)
    {
        await Task.WhenAny(View, Progress.Found, Task.Delay(patience, cancel));
        // What is found says it, however late it is looked at; a run that fails before finds nothing.
        return Progress.Found.IsCompleted ? Progress.Found.Result <= PlanCache.Few : View.IsCompleted;
    }

    /// <summary>It is there.</summary>
    public void End(SeasonView view) => _view.TrySetResult(view);

    /// <summary>It could not be worked out.</summary>
    public void Fail(Exception why)
    {
        _view.TrySetException(why);
        // Seen here: nobody may be waiting.
        _ = _view.Task.Exception;
    }
}
