using Rama.Core.Decide;
using Rama.Core.Prescribe;
using Rama.Core.Systems;
using Rama.Core.Trees;

namespace Rama.Core.Tests.Prescribe;

/// <summary>
/// Cuts an experienced orchardist would not make, looked for on 2 000 generated trees of every system: common
/// practice, no source, but for the limits that the packs name. The table of docs/science.md is told by the
/// explicit test.
/// </summary>
public sealed class SenseTests(ITestOutputHelper output)
{
    private const int Trees = 2_000;

    // Trees stand a good quarter over their number on average, so that four in five are reduced.
    private const double OfTheBuds = 0.72;

    public static TheoryData<string> Systems => [.. TrainingSystem.Shipped.Select(s => s.Id)];

    [Theory]
    [MemberData(nameof(Systems))]
    public void No_cut_is_absurd(string id)
    {
        var found = Sense.Of(TrainingSystem.Find(id)!);
        Assert.True(found.Reduced > Trees / 2);
        Assert.Equal(0, found.ThinnerTaken);
        Assert.Equal(0, found.OverRubCap);
        // Where the limit of big cuts or of wood is spent on thick leaders, an end may stay too high: on one
        // tree in fifty at most.
        Assert.InRange(found.TooHigh, 0, found.Reduced / 50);
        Assert.InRange(found.LowWhileRubbed, 0, found.Reduced / 50);
        Assert.Equal(0, found.ThickUntold);
    }

    [Fact(Explicit = true)]
    public void Tell_the_table() =>
        output.WriteLine(string.Join("\n", TrainingSystem.Shipped.Select(s => $"| {s.Id} | {Sense.Of(s).Row} |")));

    /// <summary>What was found on the trees that were reduced.</summary>
    private sealed record Sense(
        int Reduced,
        int ThinnerTaken,
        int OverRubCap,
        int TooHigh,
        int LowWhileRubbed,
        int ThickUntold,
        double SingleBuds,
        int OnTarget
    )
    {
        public string Row =>
            $"{Of(ThinnerTaken)} | {Of(OverRubCap)} | {Of(TooHigh)} | {Of(LowWhileRubbed)} | "
            + $"{100 * SingleBuds:0} % | {Of(OnTarget)}";

        private string Of(int trees) => $"{100.0 * trees / Reduced:0} %";

        public static Sense Of(TrainingSystem system)
        {
            var rules = system.RulesFor();
            var settings = new DecisionSettings(0.1, system.Caps.ShareOfBuds);
            var toLeave = OfTheBuds * system.Form.Typical.Buds;
            var stock = TreeStock.Usual(system, new(system.Form.Typical.Buds, null, null), null);
            var generator = new TreeGenerator(stock.Shape, stock.Place);
            var bySize = system.Steps.Where(s => s.TooMuch == TooMuch.ShortenAndEnd).Select(s => s.Id).ToHashSet();
            var clearance = Setting(system, "clearance");
            var height = system.Steps.Any(s => s.Cut.Kind == CutKind.ToSideShoot)
                ? Math.Min(stock.Place.HeightLimitM, Setting(system, "reach") ?? 99)
                : (double?)null;
            var sense = new Sense(0, 0, 0, 0, 0, 0, 0, 0);
            var (cuts, single) = (0, 0);
            for (var i = 0; i < Trees; i++)
            {
                var tree = generator.Make(stock.Classes[0].Counts, 90_000 + i);
                var allowance = CutAllowance.Counted(tree.FloralBuds, toLeave, settings);
                if (allowance.Kind != DecisionKind.Reduce)
                    continue;
                var pruning = TreePruning.Of(rules, tree, allowance);
                var rubbed = pruning.Cuts.Where(c => c.Bud is not null).Sum(c => c.Drop);
                cuts += pruning.Cuts.Count;
                single += pruning.Cuts.Count(c => c.Bud is not null);
                var taken = pruning
                    .Cuts.Where(c => bySize.Contains(c.StepId) && c.Kind != CutKind.Shorten)
                    .Select(c => tree.Branches[c.Branch].DiameterMm)
                    .DefaultIfEmpty(double.PositiveInfinity)
                    .Min();
                var thick = pruning.FirstNextWinter;
                var standing = tree
                    .Branches.Where(b =>
                        b.Kind is BranchKind.Limb or BranchKind.Arm or BranchKind.Shoot
                        && pruning.Left.LeftM(b.Id) > RemainingTree.StubM
                    )
                    .ToList();
                sense = sense with
                {
                    Reduced = sense.Reduced + 1,
                    ThinnerTaken =
                        sense.ThinnerTaken
                        + One(thick.Any(t => !t.Shortened && t.DiameterMm > taken && t.Reason != StepEnd.PlaceLimit)),
                    OverRubCap = sense.OverRubCap + One(rubbed > system.Caps.ShareRubbed * tree.FloralBuds + 1),
                    TooHigh =
                        sense.TooHigh
                        + One(
                            height is { } limit
                                && tree.Branches.Where(b => b.Kind == BranchKind.Leader)
                                    .Concat(standing)
                                    .Any(b => Places(pruning, b).Max() > limit + 0.06)
                        ),
                    LowWhileRubbed =
                        sense.LowWhileRubbed
                        + One(
                            rubbed > 0
                                && clearance is { } least
                                && standing.Any(b => Places(pruning, b).Min() < least - 0.05)
                        ),
                    // By hand on the spindle's own rule: what stays over 22 mm is named.
                    ThickUntold =
                        sense.ThickUntold
                        + One(
                            system.Id == "tall-spindle"
                                && standing.Any(b =>
                                    b.Kind == BranchKind.Limb && b.DiameterMm > 22 && thick.All(t => t.Branch != b.Id)
                                )
                        ),
                    OnTarget = sense.OnTarget + One(Math.Abs(pruning.Left.FloralBuds - toLeave) <= 0.1 * toLeave),
                };
            }
            return sense with { SingleBuds = single / (double)Math.Max(1, cuts) };
        }

        private static int One(bool found) => found ? 1 : 0;

        private static double? Setting(TrainingSystem system, string id) =>
            system.Settings.FirstOrDefault(s => s.Id == id)?.Value;

        // Heights along what is left of a branch.
        private static IEnumerable<double> Places(TreePruning pruning, Branch branch) =>
            Enumerable.Range(0, 11).Select(k => branch.PointAt(pruning.Left.LeftM(branch.Id) * k / 10).HeightM);
    }
}
