using Rama.Web.Hosting;

namespace Rama.Web.Tests;

/// <summary>The gate of long work: nobody takes the server from the others.</summary>
public sealed class HeavyWorkTests
{
    private static readonly Guid Ann = new(1, 0, 0, new byte[8]),
        Ben = new(2, 0, 0, new byte[8]);

    private readonly HeavyWork _gate = new(2);

    /// <summary>Two others, with whom the gate is full.</summary>
    private List<HeavyWork.Turn> Crowd() => [_gate.Join(Guid.NewGuid()), _gate.Join(Guid.NewGuid())];

    [Fact]
    public void Work_waits_in_the_order_it_came_and_is_let_in_when_others_leave()
    {
        var inside = Crowd();
        var (first, second) = (_gate.Join(Ann), _gate.Join(Ben));
        Assert.All(inside, t => Assert.True(t.IsInside));
        Assert.Equal((false, 2), (first.IsInside, first.Ahead));
        Assert.Equal((false, 3), (second.IsInside, second.Ahead));
        inside[0].Dispose();
        // Given back twice it lets nobody else in.
        inside[0].Dispose();
        Assert.Equal((true, 0), (first.IsInside, first.Ahead));
        Assert.Equal((false, 2), (second.IsInside, second.Ahead));
    }

    // There is a place inside, but Ann has one already.
    [Fact]
    public void Who_has_work_inside_lets_others_by()
    {
        var (first, second) = (_gate.Join(Ann), _gate.Join(Ann));
        Assert.Equal((true, false), (first.IsInside, second.IsInside));
        using var other = _gate.Join(Ben);
        Assert.Equal((false, true), (second.IsInside, other.IsInside));
        first.Dispose();
        Assert.True(second.IsInside);
    }

    [Fact]
    public void One_person_has_four_and_a_line_an_end()
    {
        List<HeavyWork.Turn> mine = [.. Enumerable.Range(0, HeavyWork.MostOfOne).Select(_ => _gate.Join(Ann))];
        Assert.Throws<LineFullException>(() => _gate.Join(Ann));
        mine[^1].Dispose();
        _gate.Join(Ann).Dispose();
        var joined = 0;
        Assert.Throws<LineFullException>(() =>
        {
            for (; joined < 1_000; joined++)
                _gate.Join(Guid.NewGuid());
        });
        // Two of Ann's wait, one is inside and lets one other in.
        Assert.Equal(HeavyWork.MostInLine - 2 + 1, joined);
    }

    [Fact]
    public async Task Who_waits_is_told_how_many_are_ahead_and_may_go()
    {
        var inside = Crowd();
        using var mine = _gate.Join(Ann);
        List<int> told = [];
        using CancellationTokenSource gone = new();
        var waiting = mine.WaitAsync(
            ahead =>
            {
                told.Add(ahead);
                return Task.CompletedTask;
            },
            TestContext.Current.CancellationToken
        );
        inside[0].Dispose();
        await waiting;
        Assert.Equal([2], told);

        using var tired = _gate.Join(Ben);
        var left = tired.WaitAsync(_ => Task.CompletedTask, gone.Token);
        await gone.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => left);
    }
}
