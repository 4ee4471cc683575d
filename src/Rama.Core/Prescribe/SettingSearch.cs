using Rama.Core.Decide;
using Rama.Core.Systems;

namespace Rama.Core.Prescribe;

/// <summary>
/// Finds the settings of a system that bring most trees of a class to their number: all tries of the pack against each other
/// on the same trees, with the single buds of the last step solved for each.
/// </summary>
internal static class SettingSearch
{
    // Settings so close to the best in trees on target are alike; the quicker wins.
    private const double AlikeShare = 0.02;

    // How far the mean of a class may come out from its number, as a share of it.
    private const double NearShare = 0.04;

    /// <summary>Whether a step takes single buds to the number, so that its rate follows from what the others leave.</summary>
    public static bool IsSolved(PruningRules rules, ReadyStep step) =>
        step.Step is { Stop: StepStop.Number, Cut.Kind: CutKind.RubOff, Per: CutsPer.Limb, Most: { } most } && rules.Place(most) is not null;

    /// <summary>Values with none of the single buds that are solved for: what the other steps leave tells their rate.</summary>
    public static double[] WithoutSolved(PruningRules rules, IReadOnlyDictionary<string, double> settings)
    {
        var values = rules.Values(settings);
        if (rules.Steps.FirstOrDefault(s => IsSolved(rules, s)) is { } solved) values[rules.Place(solved.Step.Most!)!.Value] = 0;
        return values;
    }

    /// <summary>The best settings, by name and in their own unit; those of the pack where nothing is to be found.</summary>
    /// <param name="rules">The rules.</param>
    /// <param name="trees">Trees to try them on.</param>
    /// <param name="decision">Decision of the class.</param>
    /// <param name="settings">Tolerance and cap.</param>
    /// <param name="held">Settings the manager holds.</param>
    public static Dictionary<string, double> Find(
        PruningRules rules, IReadOnlyList<PreparedTree> trees, PruningDecision decision, DecisionSettings settings, IReadOnlyDictionary<string, double> held)
    {
        var solved = rules.Steps.FirstOrDefault(s => IsSolved(rules, s));
        var rate = solved?.Step.Most;
        List<Try> tries = [];
        foreach (var combination in Combinations(rules, held, rate, decision.Kind))
            tries.Add(Of(rules, trees, decision, settings, combination, rate));
        // Trees above their number alone would ask for more than the class can spare: its mean has to come out first.
        var near = Math.Max(NearShare * decision.BudsToLeave, tries.Min(t => t.OffMean));
        tries.RemoveAll(t => t.OffMean > near);
        var best = tries.Max(t => t.InBand);
        // Nor can settings be told apart that differ by less than so few trees can tell.
        var alike = Math.Max(AlikeShare, Math.Sqrt(best * (1 - best) / trees.Count));
        return tries.Where(t => t.InBand >= best - alike).OrderBy(t => t.Seconds).ThenBy(t => t.BigCuts).First().Settings;
    }

    private static List<Dictionary<string, double>> Combinations(PruningRules rules, IReadOnlyDictionary<string, double> held, string? rate, DecisionKind kind)
    {
        List<Dictionary<string, double>> all = [new(held)];
        // Shape and light pruning follow the system; only a reduction to a number has something to find.
        if (kind != DecisionKind.Reduce || rules.Aim == SystemAim.Light) return all;
        foreach (var setting in rules.System.Settings)
        {
            if (setting.Tries.Count == 0 || held.ContainsKey(setting.Id) || setting.Id == rate) continue;
            all = [.. all.SelectMany(a => setting.Tries.Select(t => new Dictionary<string, double>(a) { [setting.Id] = t }))];
        }
        return all;
    }

    private static Try Of(
        PruningRules rules, IReadOnlyList<PreparedTree> trees, PruningDecision decision, DecisionSettings settings, Dictionary<string, double> combination, string? rate)
    {
        var values = WithoutSolved(rules, combination);
        var most = rate is null ? 0 : rules.Values(combination)[rules.Place(rate)!.Value];
        var (left, limbs, seconds, big) = (new double[trees.Count], new double[trees.Count], 0.0, 0);
        for (var i = 0; i < trees.Count; i++)
        {
            var pruning = TreePruning.Of(trees[i], CutAllowance.ByCard(decision, trees[i].Tree.FloralBuds, settings), values);
            (left[i], limbs[i]) = (pruning.Left.FloralBuds, pruning.Left.Limbs);
            foreach (var cut in pruning.Cuts)
            {
                seconds += rules.Seconds(cut.StepId);
                if (cut.DiameterMm >= rules.System.Caps.BigCutMm) big++;
            }
        }
        // Trees differ from the class mean they were made from; what is solved is right for that mean.
        var scale = trees.Average(t => t.Tree.FloralBuds) is > 0 and var made ? decision.Standing.Mean / made : 1;
        if (rate is not null && !combination.ContainsKey(rate) && decision.Kind == DecisionKind.Reduce)
        {
            var perSite = rules.System.Form.Typical.BudsPerSite;
            var solved = limbs.Sum() > 0 ? Math.Clamp((left.Average() - decision.BudsToLeave / scale) / limbs.Average() / perSite, 0, most) : 0;
            combination[rate] = solved;
            for (var i = 0; i < left.Length; i++)
            {
                var rubbed = Math.Clamp(solved * limbs[i] * perSite, 0, Math.Max(0, left[i] - (1 - settings.Cap) * trees[i].Tree.FloralBuds));
                left[i] -= rubbed;
                seconds += rubbed / perSite * rules.SecondsOf(rate);
            }
        }
        var meant = trees.Select((t, i) => (Left: left[i], Stood: t.Tree.FloralBuds)).Where(t => t.Stood > decision.BudsToLeave).ToList();
        var inBand = meant.Count == 0 ? 0 : meant.Count(t => t.Left >= decision.BandLow && t.Left <= decision.BandHigh) / (double)meant.Count;
        return new(combination, inBand, Math.Abs(left.Average() * scale - Math.Max(decision.BudsToLeave, (1 - settings.Cap) * decision.Standing.Mean)), seconds, big);
    }

    private sealed record Try(Dictionary<string, double> Settings, double InBand, double OffMean, double Seconds, int BigCuts);
}
