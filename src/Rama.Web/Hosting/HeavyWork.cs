using Rama.Web.Accounts;

namespace Rama.Web.Hosting;

/// <summary>More long work is asked for than may wait.</summary>
internal sealed class LineFullException() : Exception("More long work is waiting than Rama takes on.");

/// <summary>
/// The one gate of long work: one piece at a time for each person, few for the server. The others wait in the order
/// they came, and whoever has work inside already lets the next by.
/// </summary>
/// <param name="atOnce">Pieces of work done at once.</param>
internal sealed class HeavyWork(int atOnce)
{
    /// <summary>
    /// Pieces of work one person may have inside or waiting: two tries side by side, each begun anew.
    /// </summary>
    public const int MostOfOne = 4;

    /// <summary>Pieces of work that may wait.</summary>
    public const int MostInLine = 32;

    private readonly Lock _lock = new();
    private readonly List<Turn> _line = [],
        _inside = [];

    /// <summary>A turn at the end of the line; whoever has it gives it back.</summary>
    /// <param name="person">Whose work it is.</param>
    /// <exception cref="LineFullException">The line is full, or holds as much of the person as it may.</exception>
    public Turn Join(Guid person)
    {
        lock (_lock)
        {
            if (_line.Count >= MostInLine || _line.Concat(_inside).Count(t => t.Person == person) >= MostOfOne)
                throw new LineFullException();
            Turn turn = new(this, person);
            _line.Add(turn);
            LetIn();
            return turn;
        }
    }

    /// <summary>A turn for whoever asks; given back at the latest when the request ends.</summary>
    /// <param name="http">The request.</param>
    /// <exception cref="LineFullException">The line is full, or holds as much of the person as it may.</exception>
    public Turn JoinFor(HttpContext http)
    {
        var turn = Join(SignedInPerson.Id(http.User));
        // Who is gone before the first step never reads the stream that gives it back.
        http.Response.RegisterForDispose(turn);
        return turn;
    }

    /// <summary>Does work when its turn comes, and tells nobody meanwhile.</summary>
    /// <param name="http">The request.</param>
    /// <param name="work">The work.</param>
    /// <exception cref="LineFullException">The line is full, or holds as much of the person as it may.</exception>
    public async Task<T> InTurnAsync<T>(HttpContext http, Func<CancellationToken, Task<T>> work)
    {
        using var turn = JoinFor(http);
        await turn.WaitAsync(_ => Task.CompletedTask, http.RequestAborted);
        return await work(http.RequestAborted);
    }

    private void LetIn()
    {
        while (_inside.Count < atOnce && _line.Find(t => !_inside.Exists(i => i.Person == t.Person)) is { } next)
        {
            _line.Remove(next);
            _inside.Add(next);
            next.Enter();
        }
    }

    private void Leave(Turn turn)
    {
        lock (_lock)
        {
            _line.Remove(turn);
            _inside.Remove(turn);
            LetIn();
        }
    }

    private int AheadOf(Turn turn)
    {
        lock (_lock)
            return _inside.Contains(turn) ? 0 : _inside.Count + _line.IndexOf(turn);
    }

    /// <summary>A place in the line, then inside.</summary>
    public sealed class Turn : IDisposable
    {
        private static readonly TimeSpan TellEvery = TimeSpan.FromSeconds(1);

        private readonly HeavyWork _gate;
        private readonly TaskCompletionSource _entered = new(TaskCreationOptions.RunContinuationsAsynchronously);

        internal Turn(HeavyWork gate, Guid person) => (_gate, Person) = (gate, person);

        /// <summary>Whose work it is.</summary>
        public Guid Person { get; }

        /// <summary>Whether the work may begin.</summary>
        public bool IsInside => _entered.Task.IsCompleted;

        /// <summary>Pieces of work inside or earlier in the line; 0 once inside.</summary>
        public int Ahead => _gate.AheadOf(this);

        /// <summary>Waits until the work may begin, and tells how many are ahead whenever that changes.</summary>
        public async Task WaitAsync(Func<int, Task> tell, CancellationToken cancel)
        {
            int? told = null;
            while (!IsInside)
            {
                var ahead = Ahead;
                if (told != ahead)
                    await tell(ahead);
                told = ahead;
                await Task.WhenAny(_entered.Task, Task.Delay(TellEvery, cancel));
                cancel.ThrowIfCancellationRequested();
            }
        }

        /// <summary>Leaves the line or the gate; a second time changes nothing.</summary>
        public void Dispose() => _gate.Leave(this);

        internal void Enter() => _entered.SetResult();
    }
}
