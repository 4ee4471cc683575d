using Rama.Core.Prescribe.Practice;

namespace Rama.Core.Tests.Prescribe.Practice;

public sealed class PracticeCourseTests
{
    private static PracticeAsk Tree(int number, int cuts, int big = 0, int unsound = 0, int steps = 1, int buds = 0) =>
        new("middle", number, cuts, big, unsound, 0, 0, buds, steps);

    private static readonly PracticeAsk[] Offered =
    [
        Tree(1, 4),
        Tree(2, 9, big: 2),
        Tree(3, 6, unsound: 1),
        Tree(4, 12, big: 1, steps: 6),
        Tree(5, 7, buds: 20),
    ];

    [Fact]
    public void A_first_day_rises_from_the_easiest_tree_to_the_hardest_without_one_twice()
    {
        var trees = Enumerable.Range(1, 30).Select(n => Tree(n, (n * 7) % 31)).ToList();
        var course = PracticeCourse.Rising(trees, t => t.Difficulty, t => t.BigCuts);
        Assert.Equal(5, course.Distinct().Count());
        Assert.Equal(trees.Min(t => t.Difficulty), course[0].Difficulty);
        Assert.Equal(trees.Max(t => t.Difficulty), course[^1].Difficulty);
        Assert.Equal(course.OrderBy(t => t.Difficulty), course);
        Assert.Equal(2, PracticeCourse.Rising(trees.Take(2), t => t.Difficulty, t => t.BigCuts).Count);
        Assert.Empty(PracticeCourse.Rising(Array.Empty<PracticeAsk>(), t => t.Difficulty, t => t.BigCuts));
    }

    // Kinds here are the numbers of big cuts.
    [Fact]
    public void A_first_day_shows_as_many_kinds_of_trees_as_there_are()
    {
        var trees = Enumerable.Range(1, 40).Select(n => Tree(n, 5 + n / 3, big: n % 7)).ToList();
        var course = PracticeCourse.Rising(trees, t => t.Difficulty, t => t.BigCuts);
        Assert.Equal(5, course.Select(t => t.BigCuts).Distinct().Count());
        Assert.Equal(course.OrderBy(t => t.Difficulty), course);
    }

    [Theory]
    [InlineData("practice.big-left", 2, Trains.BigLimbs)]
    [InlineData("practice.unsound", 3, Trains.Unsound)]
    [InlineData("practice.order", 4, Trains.Order)]
    [InlineData("practice.too-few", 5, Trains.Number)]
    public void The_next_tree_has_most_of_what_went_wrong(string said, int number, Trains trains)
    {
        var next = PracticeCourse.Next(Offered, [1], [said, "practice.slow"]);
        Assert.Equal((number, trains), (next!.Value.Tree.Number, next.Value.Trains));
    }

    [Fact]
    public void A_tree_cut_well_is_followed_by_a_harder_one_and_none_comes_twice()
    {
        List<int> seen = [1];
        while (PracticeCourse.Next(Offered, seen, ["practice.on-target"]) is { } next)
        {
            Assert.Equal(Trains.Harder, next.Trains);
            Assert.DoesNotContain(next.Tree.Number, seen);
            seen.Add(next.Tree.Number);
        }
        Assert.Equal([1, 3, 5, 2, 4], seen);
    }

    // No tree left has a leader to cut: better a harder one than none.
    [Fact]
    public void What_no_tree_trains_gives_a_harder_tree() =>
        Assert.Equal(Trains.Harder, PracticeCourse.Next(Offered, [1], ["practice.leader"])!.Value.Trains);
}
