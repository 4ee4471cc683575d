using Rama.Core.Crew.Depth;
using Rama.Core.Crew.Schedule;
using Rama.Core.Decide;
using Rama.Core.Passes;
using Rama.Core.Prescribe.Working;
using Rama.Core.Result.Thinning;
using Rama.Core.Season;
using Rama.Core.Weather;

namespace Rama.Core.Tests.Season;

/// <summary>The year of a planting as work for crews: numbers by hand.</summary>
public sealed class PassWorkTests
{
    private static readonly DateOnly Tip = new(2027, 3, 15),
        Today = new(2027, 2, 1);

    private static readonly Guid Planting = Guid.Parse("0198c0de-0000-7000-8000-000000000001");

    private static IReadOnlyList<PassWork> Works(
        Dictionary<string, TaskChoice>? choices = null,
        Dictionary<string, double>? done = null,
        CropAtRisk? crop = null,
        DateOnly? on = null,
        ThinningLoad? thinning = null
    )
    {
        var today = on ?? Today;
        var days = AnchorDays.Of("apple", new(Tip, 3, GreenTipBasis.Planting));
        var programme = Programme.Of(
            new(
                Entries.Planting.Read(2027),
                1_000,
                new Dictionary<string, string> { ["passes"] = "two" },
                days,
                DecisionKind.Reduce,
                Today: today,
                Thinning: thinning
            )
        );
        return PassWork.Of(
            new(
                Planting,
                "Home",
                programme,
                today,
                crop,
                Wage: 15,
                LateShare: 0.02,
                day => LateCost.Of(day, "apple", days),
                pass => choices?.GetValueOrDefault(pass),
                pass => done?.GetValueOrDefault(pass) ?? 0,
                pass => pass.On.Count == 0 ? null : new WorkWeather(0.9)
            )
        );
    }

    private static PassWork Of(IReadOnlyList<PassWork> works, string pass) =>
        works.Single(w => w.Task.Id == $"{Planting}/{pass}");

    // The worked example of the handbook's 8.3: 435.9 s on each of 1 000 trees, .85 of the hours paid on trees.
    [Fact]
    public void Thinning_is_work_once_its_time_comes_near()
    {
        var load = new ThinningLoadEntry
        {
            BudsLeft = 205,
            SetShare = .66,
            FruitletsPerCluster = 1.9,
            FruitWanted = 115,
            TreesPerHa = 2_800,
        }.Calculate();
        bool IsThinning(PassWork work) => work.Task.Id.Contains("thinning", StringComparison.Ordinal);
        Assert.DoesNotContain(Works(thinning: load), IsThinning);
        var work = Works(on: new(2027, 5, 1), thinning: load).Single(IsThinning);
        Assert.Equal(1_000 * 435.9 / 3_600 / .85, work.Task.Hours, 0);
        Assert.DoesNotContain(Works(on: new(2027, 5, 1)), IsThinning);
        // Hardly anything to take off: nobody is sent.
        Assert.DoesNotContain(Works(on: new(2027, 5, 1), thinning: load with { ToTakeOff = 3 }), IsThinning);
    }

    [Fact]
    public void Major_runs_ahead_of_detail_and_detail_of_the_brush()
    {
        var works = Works();

        Assert.Empty(Of(works, "major").Task.Before);
        Assert.Equal([$"{Planting}/major"], Of(works, "detail").Task.Before);
        Assert.Equal([$"{Planting}/detail"], Of(works, "brush").Task.Before);
        Assert.Equal([Hands.Lead, Hands.Height], Of(works, "major").Task.Needs);
        Assert.NotNull(Of(works, "detail").Task.Weather);
        Assert.Null(Of(works, "brush").Task.Weather);
    }

    [Fact]
    public void What_is_done_takes_hours_off_and_holds_nothing_up()
    {
        var whole = Works();
        var works = Works(done: new() { ["major"] = 1, ["detail"] = 0.25 });

        Assert.DoesNotContain(works, w => w.Pass.Id == "major");
        Assert.Empty(Of(works, "detail").Task.Before);
        Assert.Equal(Of(whole, "detail").Task.Hours * 0.75, Of(works, "detail").Task.Hours, 9);
        Assert.Equal(Of(works, "detail").Task.Hours, Of(works, "detail").Hours.Steps[^1].Result.Value, 9);
    }

    [Fact]
    public void Two_crews_share_the_rows_and_each_follows_its_own_half()
    {
        TaskChoice shared = new(InTwo: true);
        var whole = Works();
        var works = Works(new() { ["major"] = shared, ["detail"] = shared });

        Assert.Equal([$"{Planting}/major#2"], Of(works, "detail#2").Task.Before);
        // The brush is one again: it follows both.
        Assert.Equal([$"{Planting}/detail#1", $"{Planting}/detail#2"], Of(works, "brush").Task.Before);
        Assert.Equal(Of(whole, "detail").Task.Hours, 2 * Of(works, "detail#1").Task.Hours, 9);
        Assert.Equal(Of(whole, "detail").Task.Late.Of(3), 2 * Of(works, "detail#1").Task.Late.Of(3), 9);
        Assert.Equal(Of(works, "detail#1").Task.Hours, Of(works, "detail#1").Hours.Steps[^1].Result.Value, 9);
    }

    [Fact]
    public void A_day_late_costs_a_share_of_the_wages_and_the_crop_after_green_tip()
    {
        var usual = Of(Works(), "detail");
        Assert.Equal(0.02 * 15 * usual.Task.Hours, usual.Task.Late.Of(1), 9);

        // Set of one fruit a bud for certain: each bud knocked off is a fruit short.
        CropAtRisk crop = new(100, 1_000, new MissCosts(1, null, 1, 0.02, CostUnder: 0.1, WagePerHour: 15));
        var late = Of(Works(crop: crop), "detail");
        // Detail is in time up to green tip; 2 % are knocked off on it, and a little more the day after.
        var lost = late.Task.Late.Of(1) - usual.Task.Late.Of(1);
        Assert.InRange(lost, 0.02 * 100 * 1_000 * 0.1, 0.03 * 100 * 1_000 * 0.1);
        Assert.True(late.Task.Late.Of(10) - usual.Task.Late.Of(10) > lost);
        Assert.Equal(late.Task.Late.Of(1), late.LateSteps[^1].Result.Value, 9);
        // The brush knocks nothing off.
        Assert.Equal(Of(Works(), "brush").Task.Late.Of(9), Of(Works(crop: crop), "brush").Task.Late.Of(9), 9);

        var told = Of(Works(new() { ["detail"] = new(LatePerDay: 70) }, crop: crop), "detail");
        Assert.Equal((70, 210), (told.Task.Late.Of(1), told.Task.Late.Of(3)));
    }

    [Fact]
    public void On_platforms_work_high_up_takes_three_fifths_of_the_hours()
    {
        // Handbook 6.3: seconds × 0.6; detail is done from the ground.
        var (ladders, platforms) = (
            Works(),
            Works(new() { ["major"] = new(Platforms: 2), ["detail"] = new(Platforms: 2) })
        );
        Assert.Equal(0.6 * Of(ladders, "major").Task.Hours, Of(platforms, "major").Task.Hours, 9);
        Assert.Equal(Of(platforms, "major").Task.Hours, Of(platforms, "major").Hours.Steps[^1].Result.Value, 9);
        Assert.Equal(Of(ladders, "detail").Task.Hours, Of(platforms, "detail").Task.Hours, 9);
    }

    [Fact]
    public void Half_of_a_winter_done_saves_and_gives_up_half()
    {
        var whole = Works();
        PruningDepth structure = new(CutDepth.Structure, 30, 600, []),
            full = new(CutDepth.Full, 120, 0, []);
        var ways = PassWork.WaysOf(Planting, whole, structure, full);
        Assert.Equal([0.25, 0.25], ways.Values.Select(w => w.LessShare!.Value), (a, b) => Math.Abs(a - b) < 1e-9);
        Assert.Equal(600, ways.Values.Sum(w => w.MarginLost), 9);
        Assert.Equal($"{Planting}/detail", ways[$"{Planting}/major"].OnePassWith);
        Assert.Null(ways[$"{Planting}/detail"].OnePassWith);
        Assert.InRange(ways[$"{Planting}/major"].Looking, 1, Of(whole, "major").Task.Hours);

        var half = Works(
            new() { ["major"] = new(Platforms: 2, InTwo: true), ["detail"] = new(InTwo: true) },
            done: new() { ["major"] = 0.5, ["detail"] = 0.5 }
        );
        Assert.All(half.Where(w => w.Pass.IsWinter), w => Assert.Equal(0.25, w.Share, 9));
        ways = PassWork.WaysOf(Planting, half, structure, full);
        Assert.Equal(300, ways.Values.Sum(w => w.MarginLost), 9);
        Assert.Equal($"{Planting}/detail#2", ways[$"{Planting}/major#2"].OnePassWith);
        // Nothing to leave, nothing to save.
        Assert.All(PassWork.WaysOf(Planting, half, null, null).Values, w => Assert.Null(w.LessShare));
    }

    [Fact]
    public void What_is_kept_is_told_to_the_planner()
    {
        var crew = Guid.NewGuid();
        var kept = Of(Works(new() { ["major"] = new(crew, Today.AddDays(3), NeverLate: true, Platforms: 2) }), "major");
        Assert.Equal(
            (crew.ToString(), Today.AddDays(3), true, 2),
            (kept.Task.OnlyCrew, kept.Task.OnlyFrom, kept.Task.NeverLate, kept.Task.Platforms)
        );
        // A day gone by is none to begin on.
        Assert.Null(Of(Works(new() { ["major"] = new(Start: Today.AddDays(-1)) }), "major").Task.OnlyFrom);
    }

    [Fact]
    public void The_season_page_tells_the_day_the_crews_plan()
    {
        var rough = WorkAhead.InTurn(Today, 240, [new(100, false, null, new(Today, Tip), 0.4)])[0].Work;
        PlacedTask Task(int days, int late) =>
            new("1", "A", false, 4, 64, [new(0, 2)], Today, Tip.AddDays(days), late, late * 10.0);

        var planned = rough.Planned([Task(-9, 0), Task(3, 3)], isWhole: true);
        Assert.Equal(
            (Tip.AddDays(3), 3, "season.planned-late"),
            (planned.Done, planned.DaysLate, planned.Reason!.Code)
        );
        Assert.Equal(0.4, planned.DoneShare);
        Assert.Null(rough.Planned([Task(-9, 0)], isWhole: true).Reason);
        Assert.Equal("season.nobody", rough.Planned([Task(-9, 0)], isWhole: false).Reason!.Code);
    }
}
