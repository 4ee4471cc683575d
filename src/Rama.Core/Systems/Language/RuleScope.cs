using Rama.Core.Trees;

namespace Rama.Core.Systems.Language;

/// <summary>What a rule looks for.</summary>
public enum Subject
{
    /// <summary>The tree as a whole.</summary>
    Tree,

    /// <summary>Leaders and main scaffolds.</summary>
    Leaders,

    /// <summary>Limbs.</summary>
    Limbs,

    /// <summary>Forks, by the arm that makes them.</summary>
    Forks,

    /// <summary>Last year's extensions and water shoots.</summary>
    Shoots,

    /// <summary>All wood but the trunk and its darts: leaders, limbs, arms and shoots.</summary>
    Wood,

    /// <summary>Buds, or whatever else is counted.</summary>
    Buds,
}

/// <summary>What a rule is asked of: one branch or bud of a tree while it is being cut.</summary>
/// <param name="Tree">The tree.</param>
/// <param name="Id">Number of the branch or bud.</param>
/// <param name="Target">Floral buds to leave on the tree.</param>
/// <param name="Settings">Values of the pack's settings, in base units.</param>
internal readonly record struct RuleScope(RemainingTree Tree, int Id, double Target, double[] Settings);

/// <summary>A rule made ready to be asked: a number in base units, or 1 for yes and 0 for no.</summary>
internal delegate double Rule(in RuleScope scope);
