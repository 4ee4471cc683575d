namespace Rama.Core.Passes;

/// <summary>Passes a step of a system may belong to.</summary>
public static class PassIds
{
    /// <summary>Height, rivals and big limbs, ahead of the others.</summary>
    public const string Major = "major";

    /// <summary>The rest, to the number.</summary>
    public const string Detail = "detail";

    /// <summary>Structure and top while wounds close in the dry.</summary>
    public const string AfterHarvest = "after-harvest";

    /// <summary>What was not cut after harvest, at bud swell instead.</summary>
    public const string AfterHarvestSwell = "after-harvest-swell";

    /// <summary>Trees with a mark are looked at once more.</summary>
    public const string LookAgain = "look-again";

    /// <summary>Trees in rework, and trees to go.</summary>
    public const string Rework = "rework";

    /// <summary>Clusters to one by hand.</summary>
    public const string Thinning = "thinning";

    /// <summary>The same, early enough for next year's bloom of biennial-prone varieties.</summary>
    public const string ThinningEarly = "thinning-early";

    /// <summary>Whether fruit are thinned by hand in a pass.</summary>
    public static bool IsThinning(string pass) => pass is Thinning or ThinningEarly;

    /// <summary>The pass steps name whose cuts a pass makes.</summary>
    public static string OfCuts(string pass) => pass == AfterHarvestSwell ? AfterHarvest : pass;

    /// <summary>All of them.</summary>
    public static IReadOnlyList<string> OfSteps { get; } = [Major, Detail, AfterHarvest];

    /// <summary>Whether a step of the pass is done in winter, whether in one go or in two.</summary>
    public static bool IsWinter(string pass) => pass is Major or Detail;
}
