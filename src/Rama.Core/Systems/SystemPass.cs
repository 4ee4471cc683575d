using Rama.Core.Explain;
using Rama.Core.Passes;

namespace Rama.Core.Systems;

/// <summary>Which plantings of a system have a pass of its own.</summary>
public enum PassAge
{
    /// <summary>Those that bear.</summary>
    Bearing,

    /// <summary>Those in training.</summary>
    Young,

    /// <summary>All of them.</summary>
    All,
}

/// <summary>A pass a system has beside those all systems share.</summary>
/// <param name="Id">Identifier; no shared pass has it. Steps name it as theirs.</param>
/// <param name="Name">The pass in two or three words.</param>
/// <param name="What">What is done.</param>
/// <param name="From">It opens with the last of these.</param>
/// <param name="To">It closes with the first of these.</param>
/// <param name="Hands">Whom it needs.</param>
/// <param name="Source">Where it comes from.</param>
/// <param name="On">What its days must be like; any day when left out.</param>
/// <param name="SecondsPerTree">Seconds a tree; the system's walking and looking where it carries steps.</param>
/// <param name="EveryDays">Days after which it comes again; once when left out.</param>
/// <param name="Times">How often at least, where it comes again.</param>
/// <param name="Caution">Caution where work can hurt someone.</param>
/// <param name="Of">Which plantings have it.</param>
public sealed record SystemPass(
    string Id,
    LocalText Name,
    LocalText What,
    IReadOnlyList<AnchorOffset> From,
    IReadOnlyList<AnchorOffset> To,
    IReadOnlyList<Hands> Hands,
    string Source,
    IReadOnlyList<DayCondition>? On = null,
    double? SecondsPerTree = null,
    int? EveryDays = null,
    int? Times = null,
    LocalText? Caution = null,
    PassAge Of = PassAge.Bearing
)
{
    /// <summary>The pass as all others are.</summary>
    /// <param name="carriesSteps">Whether steps of the system are cut in it.</param>
    public PassDefinition ToDefinition(bool carriesSteps) =>
        new(
            Id,
            Name,
            What,
            [
                .. Of switch
                {
                    PassAge.Bearing => ["bearing"],
                    PassAge.Young => ["young"],
                    _ => Array.Empty<string>(),
                },
                .. carriesSteps ? ["cuts"] : Array.Empty<string>(),
            ],
            new(From, To, [], null),
            On ?? [],
            Hands,
            IsWinter: false,
            carriesSteps,
            SecondsPerTree,
            EveryDays,
            Times,
            Caution,
            Source
        );

    /// <summary>What is wrong with it.</summary>
    internal IEnumerable<string> Faults()
    {
        foreach (var fault in PassFaults.Of($"pass {Id}", Id, From, To, Hands, EveryDays, Times))
            yield return fault;
        if (SecondsPerTree is < 0 or > 36_000)
            yield return $"pass {Id}: secondsPerTree must lie between 0 and 36 000";
    }
}
