using Rama.Core.Count.Vigour;
using Rama.Core.Crops;
using Rama.Core.Decide;
using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Season;
using Rama.Core.Weather;

namespace Rama.Core.Tests.Season;

public sealed class PassChoiceTests
{
    private static readonly DateOnly Tip = new(2027, 3, 15);

    private static Programme Of(DateOnly today, params PassChoice[] choices) =>
        Programme.Of(
            new(
                Entries.Planting.Read(2027),
                1_000,
                new Dictionary<string, string>(),
                AnchorDays.Of("apple", new(Tip, 3, GreenTipBasis.Planting)),
                DecisionKind.Reduce,
                Choices: choices.ToDictionary(c => c.Pass),
                Today: today
            )
        );

    private static PlannedPass Pass(Programme programme, string id) => programme.Passes.Single(p => p.Id == id);

    [Fact]
    public void A_pass_left_out_stays_in_sight_and_costs_nothing()
    {
        var before = Of(Tip.AddDays(-60));
        var after = Of(Tip.AddDays(-60), new PassChoice("thinning", LeftOut: "thinned by spray"));
        Assert.Equal(before.Passes.Count, after.Passes.Count);
        Assert.Equal(
            (PassState.LeftOut, "thinned by spray"),
            (Pass(after, "thinning").State, Pass(after, "thinning").Choice!.LeftOut)
        );
        var winter = Of(Tip.AddDays(-60), new PassChoice("winter", LeftOut: "no hands"));
        Assert.Equal(before.PaidHours - Hours(before, "winter") - Hours(before, "brush"), winter.PaidHours, 6);
        // No cuts, no brush.
        Assert.DoesNotContain(winter.Passes, p => p.Id == "brush");
        Assert.Null(WorkToDo.Of(winter, null));
        static double Hours(Programme p, string id) => Pass(p, id).Hours!.Paid;
    }

    [Fact]
    public void Detail_is_cut_though_the_major_cuts_are_left_out()
    {
        var programme = Programme.Of(
            new(
                Entries.Planting.Read(2027),
                1_000,
                new Dictionary<string, string> { ["passes"] = "two" },
                AnchorDays.Of("apple", new(Tip, 3, GreenTipBasis.Planting)),
                DecisionKind.Reduce,
                Choices: new Dictionary<string, PassChoice> { ["major"] = new("major", LeftOut: "no saws here") }
            )
        );
        Assert.Equal(PassState.LeftOut, Pass(programme, "major").State);
        Assert.NotEmpty(Pass(programme, "detail").Cuts);
        Assert.Contains(programme.Passes, p => p.Id == "brush");
    }

    [Fact]
    public void A_pass_moved_takes_its_hours_and_its_brush_along()
    {
        DateOnly from = new(2027, 2, 1),
            to = new(2027, 2, 10);
        var moved = Of(Tip.AddDays(-60), new PassChoice("winter", From: from, To: to));
        Assert.Equal((from, to), (Pass(moved, "winter").From!.Value, Pass(moved, "winter").To!.Value));
        Assert.Equal((from, to.AddDays(14)), (Pass(moved, "brush").From!.Value, Pass(moved, "brush").To!.Value));
        Assert.Equal((from, to), (WorkToDo.Of(moved, null)!.Window!.From, WorkToDo.Of(moved, null)!.Window!.To));
        Assert.Equal(moved.PaidHours, moved.Months.Sum(m => m.Hours), 6);
        Assert.Null(Pass(moved, "winter").Says);
        var late = Of(Tip, new PassChoice("winter", From: Tip.AddDays(10), To: Tip.AddDays(20)));
        // Silver tip is eight days before green tip.
        Assert.Equal("pass.moved-late", Pass(late, "winter").Says!.Code);
        Assert.Equal(28, Pass(late, "winter").Says!.Figures[0].Value);
    }

    [Fact]
    public void What_is_done_is_no_longer_ahead_and_late_is_what_is_past_its_window()
    {
        Assert.Equal(PassState.Open, Pass(Of(Tip.AddDays(-60)), "winter").State);
        Assert.Equal(PassState.Ahead, Pass(Of(Tip.AddDays(-200)), "winter").State);
        Assert.Equal(PassState.Late, Pass(Of(Tip), "winter").State);
        var done = Of(Tip, new PassChoice("winter", Done: Tip.AddDays(-30)));
        Assert.Equal(PassState.Done, Pass(done, "winter").State);
        Assert.Null(WorkToDo.Of(done, null));
        // The brush of what was done that day is due in the fortnight after it.
        Assert.Equal(Tip.AddDays(-16), Pass(done, "brush").To);
    }

    // Handbook 5.1: tools against too much growth, each with its window and caution; nobody has one who does not choose
    // it.
    [Theory]
    [InlineData("growth-retardant", 0, 45, "licensed")] // at bloom and again about five weeks later
    [InlineData("girdling", 0, 42, "disinfected")] // between bloom and six weeks after
    [InlineData("root-pruning", -58, 0, "Cables")]
    [InlineData("limbs-bent", 6, 62, null)]
    public void Tools_against_vigour_are_passes_when_chosen(string id, int from, int to, string? caution)
    {
        var programme = Of(Tip.AddDays(-60));
        Assert.DoesNotContain(programme.Passes, p => p.Id == id);
        Assert.Contains(programme.CanAdd, p => p.Id == id);
        var chosen = Pass(Of(Tip.AddDays(-60), new PassChoice(id, IsAdded: true)), id);
        // Bloom of an apple is thirty days after green tip: assumption of phenology.json.
        var bloom = Tip.AddDays(30);
        Assert.Equal((bloom.AddDays(from), bloom.AddDays(to)), (chosen.From!.Value, chosen.To!.Value));
        Assert.True(chosen.Hours!.Paid > 0);
        if (caution is not null)
            Assert.Contains(caution, chosen.Caution!.En, StringComparison.Ordinal);
    }

    [Fact]
    public void Passes_are_added_that_the_kind_of_planting_can_have_and_no_others()
    {
        var programme = Of(Tip.AddDays(-60));
        Assert.Contains(programme.CanAdd, p => p.Id == "summer-light");
        Assert.DoesNotContain(programme.CanAdd, p => p.Id is "peach-winter" or "flush-tipping" or "after-harvest");
        // Strong uprights of a bearing planting can be tied flat; buds are taken from bare leaders only.
        Assert.Contains(programme.CanAdd, p => p.Id == "tying");
        Assert.DoesNotContain(programme.CanAdd, p => p.Id == "bud-removal");
        var added = Of(Tip.AddDays(-60), new PassChoice("summer-light", IsAdded: true));
        Assert.True(Pass(added, "summer-light").Hours!.Paid > 0);
        Assert.DoesNotContain(added.CanAdd, p => p.Id == "summer-light");
        Assert.DoesNotContain(Of(Tip, new PassChoice("peach-winter", IsAdded: true)).Passes, p =>
            p.Id == "peach-winter"
        );
    }

    [Fact]
    public void A_decision_names_every_field_that_cannot_be_used()
    {
        string[] Fields(string pass, PassChoiceEntry entry, DateOnly? done = null) =>
            [
                .. Assert
                    .Throws<UnusableEntryException>(() => entry.Read(pass, 2027, done, PassDefinition.All))
                    .Problems.Select(p => p.Field),
            ];
        Assert.Equal(["pass"], Fields("no-such-pass", new()));
        Assert.Equal(["reason"], Fields("winter", new() { LeftOut = true, Reason = " " }));
        Assert.Equal(["reason"], Fields("winter", new() { Reason = "why" }));
        Assert.Equal(["to"], Fields("winter", new() { From = new(2027, 2, 1) }));
        Assert.Equal(["to"], Fields("winter", new() { From = new(2027, 2, 1), To = new(2027, 1, 1) }));
        Assert.Equal(["from", "to"], Fields("winter", new() { From = new(1027, 2, 1), To = new(2127, 1, 1) }));
        Assert.Equal(["added"], Fields("winter", new() { Added = true }));
        Assert.Equal(["leftOut"], Fields("winter", new() { LeftOut = true, Reason = "x" }, new(2027, 1, 1)));
        Assert.Equal(
            "done",
            Assert
                .Throws<UnusableEntryException>(() =>
                    new PassReportEntry { Done = new(2027, 2, 1) }.Read(
                        new("winter"),
                        2027,
                        new(2027, 1, 27),
                        PassDefinition.All
                    )
                )
                .Problems.Single()
                .Field
        );
    }

    // A decision keeps what was reported, and a report what was decided.
    [Fact]
    public void Decision_and_report_keep_each_other()
    {
        DateOnly day = new(2027, 1, 20);
        var decided = new PassChoiceEntry { From = day, To = day }.Read("winter", 2027, null, PassDefinition.All);
        var reported = new PassReportEntry { Done = day }.Read(decided, 2027, day, PassDefinition.All);
        Assert.Equal(new("winter", From: day, To: day, Done: day), reported);
        Assert.Equal(day, new PassChoiceEntry().Read("winter", 2027, reported.Done, PassDefinition.All).Done);
    }

    // Handbook 6.1: uprights weekly; a look after each cold night.
    [Fact]
    public void What_comes_again_is_due_again_and_a_new_event_is_not_done_by_the_old()
    {
        var from = Pass(Of(Tip, new PassChoice("uprights-torn", IsAdded: true)), "uprights-torn").From!.Value;
        PlannedPass Torn(int today) =>
            Pass(Of(from.AddDays(today), new PassChoice("uprights-torn", IsAdded: true, Done: from)), "uprights-torn");
        Assert.Equal((PassState.Done, from.AddDays(7)), (Torn(6).State, Torn(6).Again!.Value));
        Assert.Equal(PassState.Open, Torn(7).State);

        DateOnly night = new(2027, 1, 20);
        PlannedPass Look(DateOnly done) =>
            Pass(
                Programme.Of(
                    new(
                        Entries.Planting.Read(2027),
                        1_000,
                        new Dictionary<string, string>(),
                        AnchorDays.Of(
                            "apple",
                            new(Tip, 3, GreenTipBasis.Planting),
                            events: new Dictionary<Anchor, DateOnly> { [Anchor.ColdNight] = night }
                        ),
                        DecisionKind.Reduce,
                        Choices: new Dictionary<string, PassChoice> { ["cold-look"] = new("cold-look", Done: done) },
                        Today: night.AddDays(2)
                    )
                ),
                "cold-look"
            );
        Assert.Equal(PassState.Done, Look(night.AddDays(1)).State);
        Assert.Equal(PassState.Open, Look(night.AddDays(-10)).State);
    }

    [Fact]
    public void Hours_of_what_is_done_lie_behind_the_day_it_was_done()
    {
        var done = Of(Tip.AddDays(-40), new PassChoice("winter", Done: Tip.AddDays(-60)));
        Assert.Equal(done.PaidHours, done.Months.Sum(m => m.Hours), 6);
        var winter = Pass(done, "winter").Hours!.Paid;
        // From 26 November to 14 January: December has 31 of its 50 days.
        Assert.Equal(winter * 31 / 50, done.Months.Single(m => m.Month == 12 && m.Year == 2026).Hours, 6);
    }

    // Two trees to be looked at again, in May and in July: the first is due, then the second, and a look does both.
    [Fact]
    public void Trees_with_marks_are_looked_at_one_day_after_the_other()
    {
        DateOnly may = new(2027, 5, 10),
            july = new(2027, 7, 1),
            made = new(2027, 2, 1);
        DateOnly? Next(DateOnly? looked) =>
            WalkFacts
                .Of(
                    [
                        (
                            made,
                            new VigourMarkEntry
                            {
                                Row = 1,
                                LookAgain = july,
                                Gap = true,
                            }.Read()
                        ),
                        (
                            made,
                            new VigourMarkEntry
                            {
                                Row = 2,
                                LookAgain = may,
                                Gap = true,
                            }.Read()
                        ),
                    ],
                    BearingHabit.MixedBud,
                    looked
                )!
                .LookAgain;
        Assert.Equal(may, Next(null));
        Assert.Equal(july, Next(may));
        Assert.Equal(july, Next(july));
        Assert.Null(WalkFacts.Of([], BearingHabit.MixedBud, null));
    }
}
