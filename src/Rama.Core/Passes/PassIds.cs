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

    /// <summary>All of them.</summary>
    public static IReadOnlyList<string> OfSteps { get; } = [Major, Detail, AfterHarvest];

    /// <summary>Whether a step of the pass is done in winter, whether in one go or in two.</summary>
    public static bool IsWinter(string pass) => pass is Major or Detail;
}
