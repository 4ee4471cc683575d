using Rama.Core.Decide;
using Rama.Core.Explain;
using Rama.Core.Passes;

namespace Rama.Core.Systems;

/// <summary>
/// One step of a rule pack: what to look for, where to start, how to cut, how many at most and why. Its rules are
/// written in the selector language, <c>docs/selectors.md</c>.
/// </summary>
/// <param name="Id">Identifier within the system.</param>
/// <param name="Under">Decisions under which the step is done at all.</param>
/// <param name="Find">What to look for, such as <c>limbs where diameter &gt; 22 mm</c>.</param>
/// <param name="First">Where to start, such as <c>diameter down</c>.</param>
/// <param name="Most">How many at most, a rule about the tree; null for all that are found.</param>
/// <param name="Per">What that number is told for.</param>
/// <param name="Limits">Fewer in some places.</param>
/// <param name="Cut">How to cut.</param>
/// <param name="Stop">Where it stops when the buds of the tree are known.</param>
/// <param name="SecondsEach">Seconds one cut takes, for labour.</param>
/// <param name="Name">The step in two or three words.</param>
/// <param name="LookFor">What to look for and which to start with, in words; a setting in braces is told with its
/// unit.</param>
/// <param name="How">How to cut, in words, with settings likewise.</param>
/// <param name="Why">Why.</param>
/// <param name="Because">The reason of one cut; <c>{height}</c>, <c>{diameter}</c>, <c>{ratio}</c>, <c>{rise}</c>,
/// <c>{length}</c>, <c>{age}</c>, <c>{drop}</c>, <c>{leave}</c> and <c>{at}</c>, the height of the cut, are filled
/// in.</param>
/// <param name="Caution">Caution shown at this step, where work can hurt someone.</param>
/// <param name="Source">Where the numbers come from.</param>
/// <param name="TooMuch">What to do with what would take too much.</param>
/// <param name="Pass">Pass it belongs to: <c>major</c> or <c>detail</c> of the winter, or <c>after-harvest</c>.</param>
public sealed record CuttingStep(
    string Id,
    IReadOnlyList<DecisionKind> Under,
    string Find,
    string First,
    string? Most,
    CutsPer Per,
    IReadOnlyList<StepLimit> Limits,
    StepCut Cut,
    StepStop Stop,
    double SecondsEach,
    LocalText Name,
    LocalText LookFor,
    LocalText How,
    LocalText Why,
    LocalText Because,
    LocalText? Caution,
    string Source,
    TooMuch TooMuch = TooMuch.Skip,
    string Pass = PassIds.Detail
)
{
    /// <summary>What <see cref="Because"/> may speak of.</summary>
    public static IReadOnlyList<string> Figures { get; } =
    ["height", "diameter", "ratio", "rise", "length", "age", "drop", "leave", "at"];
}
