using Rama.Core.Decide;
using Rama.Core.Prescribe.Working;
using Rama.Core.Systems;
using Rama.Core.Target.Sharing;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe;

/// <summary>When a pruner stops on a tree.</summary>
public enum ClassStop
{
    /// <summary>At a number of floral buds left.</summary>
    Number,

    /// <summary>At a number of floral buds on the ground: only the shape is cut.</summary>
    Ground,

    /// <summary>When the cuts are made: thinning does the number.</summary>
    CutsMade,

    /// <summary>Before anything but unsound wood is cut.</summary>
    UnsoundOnly,
}

/// <summary>
/// What to do on the trees of one trunk class. It is worked out once: decision, cuts, card, gauge, bench and
/// simulation all tell it from here.
/// </summary>
/// <param name="Class">The class.</param>
/// <param name="Decision">Its decision.</param>
/// <param name="BudsLeft">Floral buds left per tree: where the cuts stop on a number, that number.</param>
/// <param name="StopAt">Floral buds at which a pruner stops; null where the cuts do not stop on a number.</param>
/// <param name="BudsPerCm2">Floral buds for each cm² of a limb kept, the gauge; null where nothing is brought to a
/// number.</param>
/// <param name="LimbsLeft">Limbs left per tree.</param>
/// <param name="GaugeCm2">Cross-section of the limbs left on a tree by which they share its buds, cm².</param>
/// <param name="MinutesPerTree">Working minutes per tree.</param>
/// <param name="WoodShare">Wood cut, as a share of the canopy's.</param>
/// <param name="BigCuts">Big cuts per tree.</param>
/// <param name="ThickLeft">Limbs per tree that stay though too thick for their place; they go first next
/// winter.</param>
/// <param name="ClustersToThinning">Flower clusters per tree over the target, left to hand thinning: the mean over
/// trees, some of which end below it.</param>
/// <param name="Cuts">Its cuts in order.</param>
/// <param name="Settings">Settings found for the class, by name, in their own unit.</param>
/// <param name="ReadingMinutes">Minutes per tree, among them, of reading limbs and counting, with what more or less is
/// rubbed off for it.</param>
public sealed record ClassPrescription(
    TrunkClass Class,
    PruningDecision Decision,
    double BudsLeft,
    double? StopAt,
    double? BudsPerCm2,
    double LimbsLeft,
    double GaugeCm2,
    double MinutesPerTree,
    double WoodShare,
    double BigCuts,
    double ThickLeft,
    double ClustersToThinning,
    IReadOnlyList<ClassCut> Cuts,
    IReadOnlyDictionary<string, double> Settings,
    double ReadingMinutes = 0
)
{
    // Few trees are enough for means over settings compared on the same trees; the block simulation takes many.
    private const int SearchTrees = 15,
        CheckTrees = 30;

    // From here on a number of cuts is no number any more but all there are.
    private const double AllThereAre = 20;

    // Made on fewer trees than this under structure only, a numbered cut is not asked for.
    private const double SeldomAllowed = 0.15;

    /// <summary>
    /// Floral buds that may lie on the ground under a tree where only its shape is cut; null otherwise.
    /// </summary>
    public double? AtMostDown => Decision.Kind == DecisionKind.StructureOnly ? Decision.RemoveBuds : null;

    /// <summary>When a pruner stops.</summary>
    public ClassStop Stop =>
        StopAt is not null ? ClassStop.Number
        : AtMostDown is not null ? ClassStop.Ground
        : Decision.Kind == DecisionKind.NoPrune ? ClassStop.UnsoundOnly
        : ClassStop.CutsMade;

    /// <summary>
    /// Floral buds a finished tree is measured by: where pruning stops on a number that one, else those wanted.
    /// </summary>
    public double Number => StopAt ?? Decision.BudsToLeave;

    /// <summary>Whether a tree left with so many floral buds is within the tolerance of that number.</summary>
    internal bool IsOnTarget(double left) => Math.Abs(left - Number) <= Decision.Tolerance * Number;

    /// <summary>Floral buds left on a limb.</summary>
    public double BudsPerLimb => BudsLeft / LimbsLeft;

    /// <summary>A cut of the card as it is made in this class; null where it is not.</summary>
    internal ClassCut? Of(PrescribedCut cut) =>
        Cuts.FirstOrDefault(c => c.StepId == cut.StepId) is { } mine
        && (cut.Amount.Kind == AmountKind.ToTheGauge ? StopAt is not null : mine.IsMade)
            ? mine
            : null;

    /// <summary>Most cuts of each step on one tree, by step; null where the tree decides.</summary>
    internal IReadOnlyList<int?> LimitsFor(PruningRules rules)
    {
        var most = Cuts.ToDictionary(c => c.StepId, c => c.Most);
        // What is rubbed bud by bud is told as a rate; on one tree it ends at its number.
        return
        [
            .. rules.Steps.Select(s => SettingSearch.IsSolved(rules, s) ? null : most.GetValueOrDefault(s.Step.Id)),
        ];
    }

    /// <summary>Finds what to cut on the classes of a planting.</summary>
    /// <param name="rules">The system's rules.</param>
    /// <param name="stock">The planting's trees.</param>
    /// <param name="decisions">Decision of each class.</param>
    /// <param name="settings">Tolerance and cap.</param>
    /// <param name="cutting">What the manager holds and what demonstration trees showed.</param>
    internal static IReadOnlyList<ClassPrescription> Of(
        PruningRules rules,
        TreeStock stock,
        IReadOnlyList<PruningDecision> decisions,
        DecisionSettings settings,
        CuttingTerms cutting
    )
    {
        List<PreparedTree> Trees(int of, int trees, int from) =>
            [
                .. GrownTrees
                    .Of(
                        stock,
                        stock.Classes[of].Counts,
                        Math.Max(4, trees / stock.Classes.Count),
                        cutting.Seed + 10 * of + from
                    )
                    .Select(t => new PreparedTree(rules, t)),
            ];

        var found = SettingSearch.Find(
            rules,
            [.. stock.Classes.Select((c, i) => new SearchClass(c.Class.Share, decisions[i], Trees(i, SearchTrees, 0)))],
            settings,
            cutting.Settings
        );
        List<ClassPrescription> classes = [];
        List<double> spread = [];
        foreach (var (i, c) in stock.Classes.Index())
        {
            var account = new ClassAccount(rules, decisions[i], stock.Shape.BudsPerSite, cutting);
            // Told on trees the search has not seen.
            var trees = Trees(i, CheckTrees, 1);
            var values = SettingSearch.WithoutSolved(rules, found[i]);
            var limits = account.Limits(trees, values, StepSums.Of(trees, decisions[i], settings, values));
            var run = new ClassRun(trees, decisions[i], settings, values, limits);
            var told = account.Of(c.Class, run, limits, found[i]);
            if (account.Worked(run, told, cutting.Seed + i) is { } worked)
            {
                told = told.WorkedIn(worked.Average(w => w.Seconds) / 60);
                spread.AddRange(worked.Select(w => w.Left / told.BudsLeft));
            }
            else
            {
                spread.AddRange(account.Spread(run, told));
            }
            classes.Add(told);
        }
        // Trees differ around their class alike, so that few trees of each tell the spread of all.
        return [.. classes.Select(c => WithThinning(c, spread, rules.Aim == SystemAim.Light))];
    }

    private ClassPrescription WorkedIn(double minutes) =>
        this with
        {
            MinutesPerTree = minutes,
            ReadingMinutes = minutes - MinutesPerTree,
        };

    private static ClassPrescription WithThinning(ClassPrescription of, IReadOnlyList<double> spread, bool isLight)
    {
        var thinning =
            of.Decision.Kind == DecisionKind.NoPrune
                ? 0
                : OverTheNumber(spread.Select(s => s * of.BudsLeft), of.Decision.BudsToLeave);
        var carriedOut = of.Decision.CarriedOut(of.Removed, thinning, isLight, []);
        return of with { ClustersToThinning = thinning, Decision = carriedOut };
    }

    /// <summary>Floral buds that go from a tree; under structure only those that may.</summary>
    internal double Removed =>
        AtMostDown ?? (Decision.Kind == DecisionKind.NoPrune ? 0 : Decision.Standing.Mean - BudsLeft);

    /// <summary>Clusters over the number on a mean tree: trees below it make up for none.</summary>
    internal static double OverTheNumber(IEnumerable<double> left, double number) =>
        left.Select(l => Math.Max(0, l - number)).DefaultIfEmpty(0).Average();

    /// <summary>The running account of one class: what each step takes until nothing more may go.</summary>
    private sealed class ClassAccount(PruningRules rules, PruningDecision decision, int perSite, CuttingTerms cutting)
    {
        private readonly double _standing = decision.Standing.Mean;

        private bool StopsOnNumber => decision.Kind == DecisionKind.Reduce && rules.Aim == SystemAim.Number;

        private bool IsLight => decision.Kind == DecisionKind.Reduce && rules.Aim == SystemAim.Light;

        // What has to stay whatever a step is seen to drop: the number, the cap, or what a crew may let fall for shape.
        private double Stays =>
            decision.Kind switch
            {
                DecisionKind.Reduce => Math.Max(decision.BudsToLeave, (1 - decision.CapShare) * _standing),
                DecisionKind.StructureOnly => _standing - decision.RemoveBuds,
                _ => 0,
            };

        private IEnumerable<(ReadyStep Step, int Place)> Asked =>
            rules.Steps.Select((s, i) => (s, i)).Where(x => x.s.Step.Under.Contains(decision.Kind));

        /// <summary>
        /// How many cuts of each step a card asks for at most, in whole numbers; null where the tree
        /// decides.
        /// </summary>
        public int?[] Limits(IReadOnlyList<PreparedTree> trees, double[] values, StepSums free)
        {
            var limits = new int?[rules.Steps.Count];
            var buds = _standing;
            foreach (var (step, place) in Asked)
            {
                if (SettingSearch.IsSolved(rules, step) || step.Step.Stop == StepStop.Never)
                    continue;
                var (made, share) = Expected(free, step, place);
                var number = Numbered(step, trees, values);
                limits[place] = decision.Kind == DecisionKind.StructureOnly ? Lesser(number, Allowed(made)) : number;
                var (drop, room) = (share * buds, Math.Max(0, buds - Stays));
                if (free.Of(place).Trees < ClassCut.FewTrees)
                {
                    (limits[place], drop) = (0, 0);
                }
                else if (drop > room + 0.5)
                {
                    // Whole cuts down to the number; what they leave over it is rubbed off where the system does so.
                    var cuts = made * room / drop;
                    var whole = CanRub(room - drop * Math.Floor(cuts) / made) ? Math.Floor(cuts) : Math.Round(cuts);
                    limits[place] = (int)whole;
                    drop = Math.Min(room, drop * whole / made);
                }
                buds -= drop;
            }
            return limits;
        }

        /// <summary>The account of the class.</summary>
        public ClassPrescription Of(TrunkClass of, ClassRun run, int?[] limits, Dictionary<string, double> found)
        {
            var (buds, seconds) = (_standing, rules.System.Labour.BaseSeconds);
            List<ClassCut> cuts = [];
            foreach (var (step, place) in Asked)
            {
                var (made, share) = Expected(run.Steps, step, place);
                var (trees, most) = (run.Steps.Of(place).Trees, limits[place]);
                // Light pruning makes whole cuts and never stops on a number; every other crew stops where it may.
                var drop =
                    step.Step.Stop == StepStop.Never || IsLight
                        ? share * buds
                        : Math.Min(share * buds, Math.Max(0, buds - Stays));
                if (SettingSearch.IsSolved(rules, step))
                {
                    // Bud by bud, or spur by spur: as many as the class is still over, after
                    // what the other steps are known to drop.
                    var limit = rules.Place(step.Step.Most!) is { } at
                        ? rules.Defaults[at] * run.LimbsLeft * perSite
                        : double.PositiveInfinity;
                    drop = StopsOnNumber
                        ? Math.Clamp(
                            buds - Stays,
                            0,
                            Math.Min(Math.Min(limit, rules.System.Caps.ShareRubbed * _standing), buds)
                        )
                        : 0;
                    made = drop / perSite;
                    trees = made > 0 ? 1 : 0;
                    most = made > 0 ? Math.Max(1, (int)Math.Round(made)) : 0;
                    found[step.Step.Most!] = run.LimbsLeft > 0 ? made / run.LimbsLeft : 0;
                }
                else if (share * buds > 0)
                {
                    made *= drop / (share * buds);
                }
                share = buds > 0 ? drop / buds : 0;
                buds = Math.Max(0, buds - drop);
                seconds += made * step.Step.SecondsEach;
                cuts.Add(
                    new(
                        step.Step.Id,
                        most,
                        made,
                        trees,
                        share,
                        drop,
                        buds,
                        made > 0 ? Seen(step).Count : 0,
                        HeightOf(step, run)
                    )
                );
            }
            var limbs = Math.Max(1, run.LimbsLeft);
            return new(
                of,
                decision,
                buds,
                StopsOnNumber ? buds : null,
                StopsOnNumber && run.GaugeCm2 > 0 ? buds / run.GaugeCm2 : null,
                limbs,
                run.GaugeCm2,
                seconds / 60,
                run.WoodShare,
                run.BigCuts,
                run.ThickLeft,
                0,
                cuts,
                found
            );
        }

        /// <summary>The trees as a crew that reads their limbs leaves them; null where none does.</summary>
        public IReadOnlyList<WorkedTree>? Worked(ClassRun run, ClassPrescription told, int seed) =>
            cutting.Way.ReadsLimbs() && ClassAtWork.On(rules, new(), told, seed) is { } crew
                ? [.. run.Prunings.Select(p => crew.WorkedEachWay(p, p)[(int)cutting.Way])]
                : null;

        /// <summary>Buds left on each tree as a multiple of what the class is left with.</summary>
        public IEnumerable<double> Spread(ClassRun run, ClassPrescription told)
        {
            bool IsRubbed(ClassCut cut) =>
                rules.Steps.Any(s => s.Step.Id == cut.StepId && SettingSearch.IsSolved(rules, s));
            var rubbed = told.Cuts.Where(IsRubbed).Sum(c => c.Drop);
            var perLimb = run.LimbsLeft > 0 ? rubbed / run.LimbsLeft : 0;
            var left = run.Prunings.Select(p => Math.Max(0, p.Left.FloralBuds - perLimb * p.Left.Limbs)).ToList();
            var mean = left.Average();
            return mean > 0 ? left.Select(l => l / mean) : [];
        }

        private IReadOnlyList<double> Seen(ReadyStep step) =>
            cutting.Observed.FirstOrDefault(o => o.StepId == step.Step.Id)?.Shares ?? [];

        private (double Made, double Share) Expected(StepSums run, ReadyStep step, int place)
        {
            var (made, share, _) = run.Of(place);
            return (made, Seen(step) is { Count: > 0 } seen && made > 0 ? ObservedDrops.Corrected(share, seen) : share);
        }

        private bool CanRub(double buds) =>
            StopsOnNumber
            && rules.Steps.Any(s => SettingSearch.IsSolved(rules, s))
            && buds <= rules.System.Caps.ShareRubbed * _standing;

        private static int? Lesser(int? number, int allowed) => number is { } most ? Math.Min(most, allowed) : null;

        // Where only the shape is cut, no more of a number than its allowance lets most trees have.
        private static int Allowed(double made) => made < SeldomAllowed ? 0 : Math.Max(1, (int)Math.Round(made));

        // Cut back to a height, a step is asked for on trees that stand above it.
        private static double? HeightOf(ReadyStep step, ClassRun run) =>
            step is { Step.Cut.Kind: CutKind.ToSideShoot, Leave: { } height } && run.Trees[0].Tree is var tree
                ? height(new(new RemainingTree(tree), tree.Index.Leaders[0], 0, run.Values))
                : null;

        private static int? Numbered(ReadyStep step, IReadOnlyList<PreparedTree> trees, double[] values)
        {
            if (step.Step.Per != CutsPer.Tree || step.Most is not { } most)
                return null;
            var number = trees.Average(t => most(new(new RemainingTree(t.Tree), 0, 0, values)));
            return number < AllThereAre ? (int)Math.Round(number) : null;
        }
    }
}
