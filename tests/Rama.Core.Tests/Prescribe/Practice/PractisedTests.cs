using Rama.Core.Explain;
using Rama.Core.Prescribe.Practice;

namespace Rama.Core.Tests.Prescribe.Practice;

/// <summary>What kept practice trees tell of people, systems and exercises.</summary>
public sealed class PractisedTests
{
    private static readonly Guid Ana = Guid.NewGuid(),
        Ben = Guid.NewGuid(),
        H4 = Guid.NewGuid(),
        W9 = Guid.NewGuid();

    private static readonly Notice[] Many = [new("practice.too-many", "")],
        Few = [new("practice.too-few", ""), new("practice.order", "")],
        Right = [new("practice.on-target", "")];

    private static PractisedTree Cut(
        Guid worker,
        int tree,
        int score,
        Notice[]? said = null,
        Guid? planting = null,
        int day = 1,
        int season = 2027
    ) =>
        new(
            worker,
            worker == Ana ? "Ana" : "Ben",
            planting ?? H4,
            planting == W9 ? "wall" : "spindle",
            season,
            PractisedTree.NameOf("middle", tree),
            new(season - 1, 12, day),
            score,
            said ?? []
        );

    [Fact]
    public void A_season_is_summed_up_by_pruner_with_what_was_said_most()
    {
        // The latest first.
        var pruners = PrunerPractice.Of([
            Cut(Ana, 2, 90, Right),
            // Cut again once its cuts were told.
            Cut(Ben, 1, 100, Right),
            Cut(Ben, 1, 40, Few),
            Cut(Ana, 1, 60, Many),
            Cut(Ana, 1, 30, [.. Many, new("practice.order", "")], W9),
        ]);
        Assert.Equal(
            [("Ben", 1, 40.0, 40), ("Ana", 3, 60.0, 90)],
            pruners.Select(p => (p.Pruner, p.Trees, p.MeanScore, p.LastScore))
        );
        Assert.Equal(
            [new PracticeFault("practice.too-many", 2), new PracticeFault("practice.order", 1)],
            pruners[1].Faults
        );
    }

    [Fact]
    public void Over_the_years_each_system_is_told_by_itself_and_day_by_day()
    {
        var progress = PracticeProgress.Of([
            Cut(Ana, 1, 80, day: 9),
            Cut(Ana, 1, 100, day: 9),
            Cut(Ana, 3, 70, day: 3),
            Cut(Ana, 2, 50, day: 3),
            Cut(Ana, 7, 30, planting: W9),
            // The same number in another winter is another tree.
            Cut(Ana, 1, 20, season: 2026),
        ]);
        var spindle = Assert.Single(progress).Systems[0];
        Assert.Equal(("spindle", 4, 60.0), (spindle.System, spindle.Trees, spindle.MeanScore));
        Assert.Equal(
            [(new DateOnly(2025, 12, 1), 1, 20.0), (new(2026, 12, 3), 2, 60), (new(2026, 12, 9), 1, 100)],
            spindle.Days.Select(d => (d.On, d.Trees, d.MeanScore))
        );
        Assert.Equal("wall", progress[0].Systems[1].System);
    }

    [Fact]
    public void Of_many_days_the_latest_are_told()
    {
        var start = new DateOnly(2026, 1, 1);
        var days = Enumerable.Range(0, 90).Select(i => Cut(Ana, i, 50) with { On = start.AddDays(90 - i) });
        var told = Assert.Single(Assert.Single(PracticeProgress.Of(days)).Systems);
        Assert.Equal(90, told.Trees);
        Assert.Equal(SystemPractice.MostDays, told.Days.Count);
        Assert.Equal(start.AddDays(90), told.Days[^1].On);
    }

    [Fact]
    public void An_exercise_counts_its_own_trees_of_its_own_season_once()
    {
        PracticeExercise exercise = new(H4, 2027, "middle", [1, 4, 6], null);
        var results = exercise.Results([
            Cut(Ana, 4, 100),
            Cut(Ana, 4, 60),
            Cut(Ana, 1, 80),
            Cut(Ana, 2, 10),
            Cut(Ana, 6, 10, planting: W9),
            Cut(Ana, 6, 10, season: 2026),
            Cut(Ben, 6, 90),
        ]);
        Assert.Equal(["Ben", "Ana"], results.Select(r => r.Pruner));
        Assert.Equal([new ExerciseTree(1, 80), new(4, 60)], results[1].Trees);
        Assert.Equal(70, results[1].MeanScore);
    }

    [Fact]
    public void An_exercise_is_as_many_trees_as_asked_each_harder()
    {
        PracticeAsk[] offered =
        [
            .. Enumerable.Range(1, 9).Select(n => new PracticeAsk("middle", n, n * 4 % 9, 0, 0, 0, 0, 0, 1)),
        ];
        var read = new ExerciseEntry
        {
            Planting = H4,
            Trees = 4,
            Note = "  Leaders ",
        }.Read(2027, offered);
        Assert.Equal(("middle", "Leaders"), (read.Class, read.Note));
        Assert.Equal(4, read.Numbers.Distinct().Count());
        var hard = read.Numbers.Select(n => offered[n - 1].Difficulty).ToList();
        Assert.Equal(hard.Order(), hard);
        Assert.Equal((9, 2), (read.Numbers[0], read.Numbers[^1]));
    }

    [Theory]
    [InlineData(0.0, "trees")]
    [InlineData(13.0, "trees")]
    [InlineData(2.5, "trees")]
    [InlineData(null, "trees")]
    public void An_exercise_needs_a_number_of_trees(double? trees, string field) =>
        Assert.Equal(
            field,
            Assert
                .Throws<UnusableEntryException>(() =>
                    new ExerciseEntry { Trees = trees }.Read(2027, [new("low", 1, 2, 0, 0, 0, 0, 0, 1)])
                )
                .Problems[0]
                .Field
        );

    [Fact]
    public void Nobody_is_set_to_practise_where_nothing_is_to_be_cut() =>
        Assert.Equal(
            "planting",
            Assert
                .Throws<UnusableEntryException>(() => new ExerciseEntry { Trees = 2 }.Read(2027, []))
                .Problems[0]
                .Field
        );
}
