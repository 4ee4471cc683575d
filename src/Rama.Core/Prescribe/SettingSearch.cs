using Rama.Core.Decide;
using Rama.Core.Systems;

namespace Rama.Core.Prescribe;

/// <summary>
/// Finds the settings of a system that bring most trees of a class to their number: all tries of the pack against each
/// other on the same trees, with the single buds of the last step solved for each.
/// </summary>
internal static class SettingSearch
{
    // Settings so close to the best in trees on target are alike; the quicker wins.
    private const double AlikeShare = 0.02;

    // How far the mean of a class may come out from its number, as a share of it.
    private const double NearShare = 0.04;

    /// <summary>
    /// Whether a step takes single buds to the number, so that its rate follows from what the others leave.
    /// </summary>
    public static bool IsSolved(PruningRules rules, ReadyStep step) =>
        step.Step is { Stop: StepStop.Number, Cut.Kind: CutKind.RubOff, Per: CutsPer.Limb, Most: { } most }
        && rules.Place(most) is not null;

    /// <summary>
    /// Values with none of the single buds that are solved for: what the other steps leave tells their rate.
    /// </summary>
    public static double[] WithoutSolved(PruningRules rules, IReadOnlyDictionary<string, double> settings)
    {
        var values = rules.Values(settings);
        if (rules.Steps.FirstOrDefault(s => IsSolved(rules, s)) is { } solved)
            values[rules.Place(solved.Step.Most!)!.Value] = 0;
        return values;
    }

    /// <summary>
    /// The best settings of each class, by name and in their own unit; those of the pack where nothing is to be
    /// found. The style is one for the planting; numbers vary with the trunk, as the card tells them by class.
    /// A length is found afterwards, and is one for the planting too: a crew carries one gauge.
    /// </summary>
    /// <param name="rules">The rules.</param>
    /// <param name="classes">The trunk classes with trees to try them on.</param>
    /// <param name="settings">Tolerance and cap.</param>
    /// <param name="held">Settings the manager holds.</param>
    public static IReadOnlyList<Dictionary<string, double>> Find(
        PruningRules rules,
        IReadOnlyList<SearchClass> classes,
        DecisionSettings settings,
        IReadOnlyDictionary<string, double> held
    )
    {
        // Shape and light pruning follow the system; only a reduction to a number has something to find.
        bool Free(SearchClass of) => of.Decision.Kind == DecisionKind.Reduce && rules.Aim != SystemAim.Light;
        var rate = rules.Steps.FirstOrDefault(s => IsSolved(rules, s))?.Step.Most;
        Trying trying = new(rules, settings, rate, held);
        // What the manager holds, or a chosen answer says, is not searched.
        var open = rules
            .System.Settings.Where(s =>
                s.Tries.Count > 0 && !held.ContainsKey(s.Id) && !rules.IsAnswered(s.Id) && s.Id != rate
            )
            .ToList();
        var numbers = open.Where(s => !s.IsLength && !s.Reserve).ToList();
        var reserve = open.Where(s => !s.IsLength && s.Reserve).ToList();
        var lengths = open.Where(s => s.IsLength).ToList();
        IReadOnlyList<Try> Tries(SearchClass of) => Of(trying, of, Combinations(Free(of) ? numbers : [], held));
        var best = ByClass(classes, numbers, Tries);
        if (!classes.Any(Free))
            return [.. best.Select(t => t.Settings)];
        foreach (var setting in reserve)
        {
            best = [.. classes.Zip(best, (c, found) => Free(c) ? Reached(trying, c, setting, found) : found)];
        }
        foreach (var length in lengths)
        {
            List<double> values = [.. length.Tries.OrderBy(v => Math.Abs(v - length.Value))];
            var byClass = classes
                .Zip(best, (c, found) =>
                    Of(trying, c, [.. values.Select(v => trying.With(found.Settings, length.Id, v))])
                )
                .ToList();
            List<(Try Planting, List<Try> Classes)> tries = [];
            for (var k = 0; k < values.Count; k++)
            {
                List<Try> tried = [.. byClass.Select(c => c[k])];
                tries.Add((Together(classes, tried), tried));
            }
            var chosen = Best(
                [.. tries.Select(t => t.Planting)],
                NearShare * classes.Sum(c => c.Share * c.Decision.BudsToLeave),
                classes.Sum(c => c.Trees.Count)
            );
            best = tries.First(t => ReferenceEquals(t.Planting, chosen)).Classes;
        }
        return [.. best.Select(t => t.Settings)];
    }

    /// <summary>
    /// One style for the planting, found for all its trees together; in a class numbers may differ from it by
    /// one step up or down where that brings clearly more of its trees to their number, and only with the
    /// trunk: a crew has one way of working.
    /// </summary>
    private static List<Try> ByClass(
        IReadOnlyList<SearchClass> classes,
        IReadOnlyList<SystemSetting> numbers,
        Func<SearchClass, IReadOnlyList<Try>> tries
    )
    {
        List<IReadOnlyList<Try>> tried = [.. classes.Select(tries)];
        var searched = classes.Select((_, i) => i).Where(i => tried[i].Count > 1).ToList();
        if (searched.Count == 0)
            return [.. tried.Select(t => t[0])];
        List<SearchClass> free = [.. searched.Select(i => classes[i])];
        var share = free.Sum(c => c.Share);
        List<Try> together =
        [
            .. Enumerable
                .Range(0, tried[searched[0]].Count)
                .Select(k => Together(free, [.. searched.Select(i => tried[i][k])], share)),
        ];
        var wanted = free.Sum(c => c.Share * c.Decision.BudsToLeave) / share;
        var style = together.IndexOf(Best(together, NearShare * wanted, free.Sum(c => c.Trees.Count)));
        List<Try> common = [.. tried.Select(t => t.Count > 1 ? t[style] : t[0])],
            own = [.. common];
        foreach (var i in searched)
        {
            var (mine, near) = (common[i], NearShare * classes[i].Decision.BudsToLeave);
            var beside = tried[i]
                .Where(t => numbers.All(n => IsBeside(n, mine.Settings[n.Id], t.Settings[n.Id])))
                .ToList();
            var better = Best(beside, near, classes[i].Trees.Count);
            var moreTrees = better.InBand > mine.InBand + Alike(mine.InBand, classes[i].Trees.Count);
            var nearerMean = mine.OffMean > near && better.OffMean < mine.OffMean - near;
            if (moreTrees || nearerMean)
                own[i] = better;
        }
        List<double> Found(SystemSetting of) =>
            [.. own.Where(t => t.Settings.ContainsKey(of.Id)).Select(t => t.Settings[of.Id])];
        return numbers.All(n => GoesWithTheTrunk(Found(n))) ? own : common;
    }

    // Yes or no is a style; of numbers the next one is beside.
    private static bool IsBeside(SystemSetting number, double common, double value) =>
        value == common || !IsStyle(number) && Math.Abs(PlaceOf(number, value) - PlaceOf(number, common)) == 1;

    private static bool IsStyle(SystemSetting number) =>
        number.Tries.Count == 2 && number.Tries.Contains(0) && number.Tries.Contains(1);

    private static int PlaceOf(SystemSetting number, double value) => number.Tries.Order().ToList().IndexOf(value);

    private static bool GoesWithTheTrunk(IReadOnlyList<double> values)
    {
        var steps = values.Zip(values.Skip(1), (from, to) => to - from).ToList();
        return steps.All(s => s >= 0) || steps.All(s => s <= 0);
    }

    // What is kept in reserve comes in only where a class stays over its number, and no more of it than it takes.
    private static Try Reached(Trying trying, SearchClass of, SystemSetting reserve, Try found)
    {
        var near = NearShare * of.Decision.BudsToLeave;
        if (found.OffMean <= near)
            return found;
        var best = found;
        foreach (var value in reserve.Tries.Order())
        {
            var tried = Of(trying, of, [trying.With(found.Settings, reserve.Id, value)])[0];
            if (tried.OffMean < best.OffMean)
                best = tried;
            if (best.OffMean <= near)
                break;
        }
        return best;
    }

    /// <summary>What stays the same from try to try.</summary>
    private sealed record Trying(
        PruningRules Rules,
        DecisionSettings Settings,
        string? Rate,
        IReadOnlyDictionary<string, double> Held
    )
    {
        public Dictionary<string, double> With(Dictionary<string, double> found, string length, double value)
        {
            Dictionary<string, double> settings = new(found) { [length] = value };
            // Single buds are solved anew for what the other cuts leave now.
            if (Rate is not null && !Held.ContainsKey(Rate))
                settings.Remove(Rate);
            return settings;
        }
    }

    private static Try Together(IReadOnlyList<SearchClass> classes, List<Try> tries, double share = 1)
    {
        double Mean(Func<Try, double> of) => classes.Zip(tries, (c, t) => c.Share * of(t)).Sum() / share;
        return new([], Mean(t => t.InBand), Mean(t => t.OffMean), Mean(t => t.Seconds), Mean(t => t.BigCuts));
    }

    private static Try Best(IReadOnlyList<Try> tries, double nearMean, int trees)
    {
        // Trees above their number alone would ask for more than the class can spare: its mean has to come out first.
        var near = Math.Max(nearMean, tries.Min(t => t.OffMean));
        var best = tries.Where(t => t.OffMean <= near).Max(t => t.InBand);
        // Nor can settings be told apart that differ by less than so few trees can tell.
        var alike = Alike(best, trees);
        // Less than a second a tree is no gain; what is alike in everything stays as the pack has it, which is tried
        // first.
        return tries
            .Where(t => t.OffMean <= near && t.InBand >= best - alike)
            .OrderBy(t => Math.Round(t.Seconds))
            .ThenBy(t => Math.Round(t.BigCuts, 1))
            .First();
    }

    private static double Alike(double inBand, int trees) =>
        Math.Max(AlikeShare, Math.Sqrt(inBand * (1 - inBand) / trees));

    private static List<Dictionary<string, double>> Combinations(
        IEnumerable<SystemSetting> open,
        IReadOnlyDictionary<string, double> held
    ) =>
        open.Aggregate<SystemSetting, List<Dictionary<string, double>>>([new(held)], (all, setting) =>
            [.. all.SelectMany(a => setting.Tries.Select(t => new Dictionary<string, double>(a) { [setting.Id] = t }))]
        );

    private static List<Try> Of(Trying trying, SearchClass of, IReadOnlyList<Dictionary<string, double>> combinations)
    {
        List<double[]> values = [.. combinations.Select(c => WithoutSolved(trying.Rules, c))];
        List<TriedTree[]> trees =
        [
            .. of.Trees.Select(t =>
                TriedTree.Of(t, CutAllowance.ByCard(of.Decision, t.Tree.FloralBuds, trying.Settings), values)
            ),
        ];
        return [.. combinations.Select((c, k) => Of(trying, of, c, [.. trees.Select(t => t[k])]))];
    }

    private static Try Of(
        Trying trying,
        SearchClass of,
        Dictionary<string, double> combination,
        IReadOnlyList<TriedTree> cut
    )
    {
        var (rules, settings, rate) = (trying.Rules, trying.Settings, trying.Rate);
        var (trees, decision) = (of.Trees, of.Decision);
        var most = rate is null ? 0 : rules.Values(combination)[rules.Place(rate)!.Value];
        double[] left = [.. cut.Select(c => c.FloralBuds)],
            limbs = [.. cut.Select(c => c.Limbs)];
        var (seconds, big) = (cut.Sum(c => c.Seconds), cut.Sum(c => (double)c.BigCuts));
        // Trees differ from the class mean they were made from; what is solved is right for that mean.
        var scale = trees.Average(t => t.Tree.FloralBuds) is > 0 and var made ? decision.Standing.Mean / made : 1;
        if (rate is not null && !combination.ContainsKey(rate) && decision.Kind == DecisionKind.Reduce)
        {
            var perSite = rules.System.Form.Typical.BudsPerSite;
            var rubbed = Math.Min(
                left.Average() - decision.BudsToLeave / scale,
                rules.System.Caps.ShareRubbed * decision.Standing.Mean / scale
            );
            var solved = limbs.Sum() > 0 ? Math.Clamp(rubbed / limbs.Average() / perSite, 0, most) : 0;
            combination[rate] = solved;
            for (var i = 0; i < left.Length; i++)
            {
                var off = Math.Clamp(
                    solved * limbs[i] * perSite,
                    0,
                    Math.Max(0, left[i] - (1 - settings.Cap) * trees[i].Tree.FloralBuds)
                );
                left[i] -= off;
                seconds += off / perSite * rules.SecondsOf(rate);
            }
        }
        var meant = trees
            .Select((t, i) => (Left: left[i], Stood: t.Tree.FloralBuds))
            .Where(t => t.Stood > decision.BudsToLeave)
            .ToList();
        var inBand =
            meant.Count == 0
                ? 0
                : meant.Count(t => t.Left >= decision.BandLow && t.Left <= decision.BandHigh) / (double)meant.Count;
        return new(
            combination,
            inBand,
            Math.Abs(
                left.Average() * scale - Math.Max(decision.BudsToLeave, (1 - settings.Cap) * decision.Standing.Mean)
            ),
            seconds / trees.Count,
            big / trees.Count
        );
    }

    private sealed record Try(
        Dictionary<string, double> Settings,
        double InBand,
        double OffMean,
        double Seconds,
        double BigCuts
    );
}

/// <summary>A trunk class with the trees its settings are tried on.</summary>
/// <param name="Share">Share of the planting's trees.</param>
/// <param name="Decision">Its decision.</param>
/// <param name="Trees">Typical trees of the class.</param>
internal sealed record SearchClass(double Share, PruningDecision Decision, IReadOnlyList<PreparedTree> Trees);
