using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using System.Threading.Channels;

namespace Rama.Web.Hosting;

/// <summary>Long work told step by step while its answer is open; who closes the answer, ends the work.</summary>
internal static class StepStream
{
    /// <summary>Runs heavy work when its turn comes, and tells its steps as they come.</summary>
    /// <param name="turn">Its turn; given back at the end.</param>
    /// <param name="waiting">The step that tells how many are ahead.</param>
    /// <param name="work">The work; tells a step by the function it is given.</param>
    /// <param name="failed">The last step when the work throws.</param>
    /// <param name="cancel">Ends it.</param>
    public static IAsyncEnumerable<SseItem<T>> InTurn<T>(
        HeavyWork.Turn turn,
        Func<int, T> waiting,
        Func<Func<T, Task>, CancellationToken, Task> work,
        Func<Exception, T> failed,
        CancellationToken cancel
    ) =>
        Of(
            async (tell, gone) =>
            {
                using (turn)
                {
                    await turn.WaitAsync(ahead => tell(waiting(ahead)), gone);
                    await work(tell, gone);
                }
            },
            failed,
            cancel
        );

    /// <summary>Runs work and tells its steps as they come.</summary>
    /// <param name="work">The work; tells a step by the function it is given.</param>
    /// <param name="failed">The last step when the work throws: the answer has begun, so what went wrong can only be
    /// told in it.</param>
    /// <param name="cancel">Ends it.</param>
    public static async IAsyncEnumerable<SseItem<T>> Of<T>(
        Func<Func<T, Task>, CancellationToken, Task> work,
        Func<Exception, T> failed,
        [EnumeratorCancellation] CancellationToken cancel
    )
    {
        // The reader of the answer sets the pace.
        using var gone = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        var steps = Channel.CreateBounded<T>(4);
        var running = Task.Run(
            async () =>
            {
                try
                {
                    await work(step => steps.Writer.WriteAsync(step, gone.Token).AsTask(), gone.Token);
                }
                catch (Exception e) when (e is not OperationCanceledException)
                {
                    await steps.Writer.WriteAsync(failed(e), gone.Token);
                }
                finally
                {
                    steps.Writer.Complete();
                }
            },
            CancellationToken.None
        );
        try
        {
            await foreach (var step in steps.Reader.ReadAllAsync(cancel))
                yield return new(step);
        }
        finally
        {
            await gone.CancelAsync();
            await running.ContinueWith(
                _ => { },
                CancellationToken.None,
                TaskContinuationOptions.None,
                TaskScheduler.Default
            );
        }
    }
}
