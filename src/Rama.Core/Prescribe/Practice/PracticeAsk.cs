using Rama.Core.Prescribe.Bench;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe.Practice;

/// <summary>What a tree asks of whoever practises on it, told by the card's own cuts.</summary>
/// <param name="Class">Its trunk class.</param>
/// <param name="Number">Which of the class it is.</param>
/// <param name="Cuts">Cuts of wood.</param>
/// <param name="BigCuts">Big ones among them.</param>
/// <param name="Unsound">Dead, broken or diseased limbs.</param>
/// <param name="Stubs">Cuts that leave a stub for renewal.</param>
/// <param name="Leaders">Leaders cut back.</param>
/// <param name="Buds">Single buds rubbed off.</param>
/// <param name="Steps">Different steps.</param>
public sealed record PracticeAsk(
    string Class,
    int Number,
    int Cuts,
    int BigCuts,
    int Unsound,
    int Stubs,
    int Leaders,
    int Buds,
    int Steps
)
{
    // How much harder each makes a tree: a convention of Rama's own.
    private const double PerBig = 3,
        PerStep = 2,
        PerBud = 0.1;

    /// <summary>Trees of a class that are offered for practice.</summary>
    public const int Offered = 12;

    /// <summary>How hard the tree is: cuts, with big ones, steps and buds weighed; only its order means something.
    /// </summary>
    public double Difficulty => Cuts + PerBig * BigCuts + PerStep * Steps + PerBud * Buds;

    // A tree with fewer cuts is done before anybody has learnt from it: a convention of Rama's own.
    private const int LeastCuts = 5;

    /// <summary>What trees of one class ask: those that carry more than they should, since nobody learns on others, and
    /// with a handful of cuts where there are such.</summary>
    /// <param name="of">What is to be cut.</param>
    /// <param name="trunk">The class; the middle one when left out or unknown.</param>
    public static IReadOnlyList<PracticeAsk> Of(PrescribedPlanting of, string? trunk = null)
    {
        PracticeAsk[] all =
        [
            .. Enumerable
                .Range(1, Offered)
                .Select(n => (Number: n, Put: new BenchChoice(trunk, n).Put(of)))
                .Where(t => t.Put.Bench.Before.FloralBuds > t.Put.Bench.ToLeave)
                .Select(t => Of(t.Put, t.Number))
                .Where(a => a.Cuts > 0),
        ];
        PracticeAsk[] worth = [.. all.Where(a => a.Cuts >= LeastCuts)];
        return worth.Length > 0 ? worth : all;
    }

    private static PracticeAsk Of((TreeBench Bench, ClassPrescription Of) put, int number)
    {
        var (wood, cuts) = (put.Bench.Tree.Branches, put.Bench.Pruning.Cuts);
        var ofWood = cuts.Where(c => c.Bud is null).ToList();
        var big = put.Bench.Rules.System.Caps.BigCutMm;
        return new(
            put.Of.Class.Name,
            number,
            ofWood.Count,
            ofWood.Count(c => c.DiameterMm >= big),
            ofWood.Count(c => wood[c.Branch].State != WoodState.Sound),
            ofWood.Count(c => wood[c.Branch].Kind == BranchKind.Limb && c.LeaveM > 0),
            ofWood.Count(c => wood[c.Branch].Kind == BranchKind.Leader),
            cuts.Count - ofWood.Count,
            cuts.Select(c => c.StepId).Distinct().Count()
        );
    }
}
