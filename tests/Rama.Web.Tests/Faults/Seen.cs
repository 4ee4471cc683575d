using System.Collections.Concurrent;
using System.Net;

namespace Rama.Web.Tests.Faults;

/// <summary>What should not have happened, and how often what may was seen.</summary>
internal sealed class Seen
{
    // Whoever gets no answer tries again, but not at once.
    private static readonly TimeSpan Pause = TimeSpan.FromMilliseconds(50);

    private readonly ConcurrentQueue<string> _faults = [];
    private int _answered,
        _unanswered;

    public IReadOnlyCollection<string> Faults => _faults;

    /// <summary>Requests the application answered, and requests whose line broke.</summary>
    public (int Answered, int Unanswered) Requests => (_answered, _unanswered);

    public void Fault(string what) => _faults.Enqueue(what);

    /// <summary>Sends, and gives the answer; null where there was none or nothing was promised.</summary>
    /// <param name="client">Who sends.</param>
    /// <param name="make">Makes the request.</param>
    /// <param name="patience">When the sender hangs up.</param>
    public async Task<(int Status, string Body)?> AskAsync(
        HttpClient client,
        Func<HttpRequestMessage> make,
        TimeSpan patience
    )
    {
        using var hangsUp = new CancellationTokenSource(patience);
        using var request = make();
        try
        {
            using var answer = await client.SendAsync(request, hangsUp.Token);
            var body = await answer.Content.ReadAsStringAsync(hangsUp.Token);
            Interlocked.Increment(ref _answered);
            if (answer.StatusCode == HttpStatusCode.ServiceUnavailable)
            {
                await Task.Delay(Pause);
                return null;
            }
            if ((int)answer.StatusCode >= 500)
                Fault($"{request.Method} {request.RequestUri} → {(int)answer.StatusCode}: {body}");
            return ((int)answer.StatusCode, body);
        }
        catch (Exception e) when (e is HttpRequestException or IOException or OperationCanceledException)
        {
            Interlocked.Increment(ref _unanswered);
            await Task.Delay(Pause);
            return null;
        }
    }
}
