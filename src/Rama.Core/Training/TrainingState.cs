using Rama.Core.Explain;
using Rama.Core.Systems;

namespace Rama.Core.Training;

/// <summary>Whether a planting is still trained, and what its end waits for.</summary>
/// <param name="IsOn">Whether it is.</param>
/// <param name="Leaf">Leaf of the programme whose tasks it has.</param>
/// <param name="Checks">What ends it.</param>
public sealed record TrainingState(bool IsOn, int Leaf, IReadOnlyList<ReadyCheck> Checks)
{
    // What counts as reached: assumption.
    private const double HeightWithinM = 0.1,
        LimbsShare = 0.9;

    // Leaves after which it is no question of training any more.
    private const int MostLeavesOver = 4;

    /// <summary>Where a planting stands; null where its system has no programme.</summary>
    /// <param name="terms">What its training follows from.</param>
    public static TrainingState? Of(TrainingTerms terms)
    {
        var (planting, finalHeightM) = (terms.Planting, terms.FinalHeightM);
        if (planting.System.Training is not { } training)
            return null;
        // What is measured at the end of this season tells of the next.
        var last = terms.Measured.Where(m => m.Season < planting.YearPlanted + planting.Leaf - 1).MaxBy(m => m.Season);
        List<ReadyCheck> checks =
        [
            .. training.Ready.Select(mark =>
                mark switch
                {
                    ReadyMark.FinalHeight => new ReadyCheck(
                        mark,
                        last?.HeightM >= finalHeightM - HeightWithinM ? true
                            : last?.HeightM is null ? null
                            : false,
                        last?.HeightM is { } height ? new("height", height, "m") : null,
                        new("final height", finalHeightM, "m")
                    ),
                    ReadyMark.SpaceFilled => new ReadyCheck(
                        mark,
                        last?.Limbs is { } limbs ? limbs >= LimbsShare * planting.System.Form.LimbsPerTree : null,
                        last?.Limbs is { } counted ? new("limbs", counted, "limb/tree") : null,
                        new("limbs of a grown tree", planting.System.Form.LimbsPerTree, "limb/tree")
                    ),
                    _ => new ReadyCheck(
                        mark,
                        training.At(planting.Leaf).Crop >= 1,
                        new("share of a full crop", training.At(planting.Leaf).Crop, "share"),
                        new("full crop", 1, "share")
                    ),
                }
            ),
        ];
        var isOn =
            planting.Leaf <= training.Leaves + MostLeavesOver
            && (
                checks.Any(c => c.IsMet is null) ? planting.Leaf <= training.Leaves : checks.Any(c => c.IsMet == false)
            );
        return new(isOn, training.LeafOfTasks(planting.Leaf), checks);
    }
}

/// <summary>One thing that ends a training programme.</summary>
/// <param name="Mark">What.</param>
/// <param name="IsMet">Whether it is reached; null where nobody measured.</param>
/// <param name="Stands">What stands; null where nobody measured.</param>
/// <param name="Wanted">What is wanted.</param>
public sealed record ReadyCheck(ReadyMark Mark, bool? IsMet, Figure? Stands, Figure Wanted);
