using Rama.Core.Crops;
using Rama.Core.Explain;

namespace Rama.Core.Systems;

/// <summary>A question on which good orchardists disagree, with the answers to choose from.</summary>
/// <param name="Id">Identifier, such as <c>uprights</c>.</param>
/// <param name="Name">The question in two or three words.</param>
/// <param name="Options">Its answers.</param>
/// <param name="Usual">The system's own answer; the first where it is left out.</param>
public sealed record PruningQuestion(
    string Id,
    LocalText Name,
    IReadOnlyList<PruningAnswer> Options,
    string? Usual = null
)
{
    /// <summary>
    /// The answer chosen; where none is, or an unknown one, the one that suits the variety, else the system's own.
    /// </summary>
    /// <param name="chosen">Identifier of the answer.</param>
    /// <param name="traits">Traits of the variety, names of <see cref="VarietyTraits.Known"/>; none where no variety is
    /// at hand.</param>
    public PruningAnswer Answer(string? chosen, IReadOnlyCollection<string>? traits = null) =>
        Options.FirstOrDefault(o => o.Id == chosen)
        ?? Options.FirstOrDefault(o => o.Suits?.Any(t => traits?.Contains(t) == true) == true)
        ?? Options.FirstOrDefault(o => o.Id == Usual)
        ?? Options[0];
}

/// <summary>One answer to a question, as what it changes in the pack.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Name">The answer.</param>
/// <param name="Why">What speaks for it.</param>
/// <param name="Sets">Settings it changes.</param>
/// <param name="Orders">Steps that start elsewhere.</param>
/// <param name="LeavesOut">Steps it leaves out.</param>
/// <param name="Sequence">Steps in their order where it differs; those not named follow as they were.</param>
/// <param name="Aim">What pruning stops at, where it differs.</param>
/// <param name="Suits">Traits of varieties it is the usual answer for.</param>
/// <param name="Moves">Steps that belong to another pass.</param>
/// <param name="TwoPasses">Whether the winter is pruned in two passes: major cuts, then detail.</param>
public sealed record PruningAnswer(
    string Id,
    LocalText Name,
    LocalText Why,
    IReadOnlyDictionary<string, double>? Sets = null,
    IReadOnlyDictionary<string, string>? Orders = null,
    IReadOnlyList<string>? LeavesOut = null,
    IReadOnlyList<string>? Sequence = null,
    SystemAim? Aim = null,
    IReadOnlyList<string>? Suits = null,
    IReadOnlyDictionary<string, string>? Moves = null,
    bool TwoPasses = false
);
