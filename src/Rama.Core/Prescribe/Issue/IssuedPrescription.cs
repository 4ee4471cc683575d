using Rama.Core.Decide;
using Rama.Core.Explain;
using Rama.Core.Prescribe.Working;

namespace Rama.Core.Prescribe.Issue;

/// <summary>
/// What a prescription asks of a crew, as data: what cards in any language hang on, and what counts of finished trees
/// are held against.
/// </summary>
/// <param name="Form">Form of this record; <see cref="CurrentForm"/> for those made now.</param>
/// <param name="System">Identifier of the training system.</param>
/// <param name="Pack">Version of its rule pack.</param>
/// <param name="Kind">The decision.</param>
/// <param name="Tolerance">How far from its number a tree may end, as a share of it.</param>
/// <param name="Cap">Share of the buds standing that may go in one winter.</param>
/// <param name="Way">How the crew works to the number; null where there is none.</param>
/// <param name="Lengths">Lengths the cuts go by, by name, in their own unit.</param>
/// <param name="Answers">Answers to the system's questions.</param>
/// <param name="Classes">What is asked in each trunk class, small trunks first.</param>
/// <param name="Expected">What is expected of it in each trunk class; it asks for nothing.</param>
public sealed record IssuedPrescription(
    int Form,
    string System,
    int Pack,
    DecisionKind Kind,
    double Tolerance,
    double Cap,
    WayOfWorking? Way,
    IReadOnlyDictionary<string, double> Lengths,
    IReadOnlyDictionary<string, string> Answers,
    IReadOnlyList<IssuedClass> Classes,
    IReadOnlyList<ExpectedOfClass> Expected
)
{
    /// <summary>Form of the records made now.</summary>
    public const int CurrentForm = 1;

    /// <summary>What a planting asks of its crew.</summary>
    /// <param name="of">What is to be cut.</param>
    public static IssuedPrescription Of(PrescribedPlanting of)
    {
        var (prescription, decision, planting) = (of.Prescription, of.Decision, of.Planting);
        return new(
            CurrentForm,
            planting.System.Id,
            planting.System.Version,
            decision.Kind,
            decision.Tolerance,
            decision.CapShare,
            prescription.Way,
            Sorted(
                planting.System.Settings.Where(s => s.IsLength),
                s => s.Id,
                s => Math.Round(prescription.InForce[s.Id], 3)
            ),
            Sorted(prescription.Answers, a => a.Key, a => a.Value),
            [.. prescription.Classes.Select(c => IssuedClass.Of(c, prescription))],
            [.. prescription.Classes.Select(ExpectedOfClass.Of)]
        );
    }

    /// <summary>Whether another asks the same of a crew.</summary>
    /// <param name="other">The other; null is never the same.</param>
    public bool AsksTheSame(IssuedPrescription? other) =>
        other is not null
        && (Form, System, Kind, Tolerance, Way) == (other.Form, other.System, other.Kind, other.Tolerance, other.Way)
        && Lengths
            .OrderBy(l => l.Key, StringComparer.Ordinal)
            .SequenceEqual(other.Lengths.OrderBy(l => l.Key, StringComparer.Ordinal))
        && Classes.Count == other.Classes.Count
        && Classes.Zip(other.Classes).All(c => c.First.AsksTheSame(c.Second, ReadsLimbs));

    // Only then does a crew see the gauge.
    private bool ReadsLimbs => Way?.ReadsLimbs() == true;

    internal static SortedDictionary<string, TValue> Sorted<T, TValue>(
        IEnumerable<T> from,
        Func<T, string> name,
        Func<T, TValue> value
    ) => new(from.ToDictionary(name, value), StringComparer.Ordinal);
}

/// <summary>What is asked on the trees of one trunk class.</summary>
/// <param name="Name">The class.</param>
/// <param name="FromGirthCm">Girth its trunks begin at, cm; null for the smallest.</param>
/// <param name="ToGirthCm">Girth its trunks end at, cm; null for the largest.</param>
/// <param name="Kind">Its decision.</param>
/// <param name="Stop">When a pruner stops.</param>
/// <param name="Number">Floral buds to leave on a tree; null where cuts do not stop on a number.</param>
/// <param name="Least">Fewest that are near enough to it.</param>
/// <param name="Most">Most that are near enough to it.</param>
/// <param name="Wanted">Floral buds wanted; fewer than the number where the cap leaves more.</param>
/// <param name="AtMostDown">Floral buds that may lie under a tree of which only the shape is cut; null otherwise.
/// </param>
/// <param name="BudsPerCm2">The limb gauge, buds for each cm² of limb; null where nothing is brought to a
/// number.</param>
/// <param name="Steps">How many cuts of each kind, in order.</param>
/// <param name="Settings">Settings found for the class, by name, in their own unit; the steps tell what they ask
/// for.</param>
public sealed record IssuedClass(
    string Name,
    double? FromGirthCm,
    double? ToGirthCm,
    DecisionKind Kind,
    ClassStop Stop,
    int? Number,
    int? Least,
    int? Most,
    int Wanted,
    int? AtMostDown,
    double? BudsPerCm2,
    IReadOnlyList<IssuedStep> Steps,
    IReadOnlyDictionary<string, double> Settings
)
{
    internal static IssuedClass Of(ClassPrescription of, Prescription prescription)
    {
        static int? Whole(double? buds) => buds is { } b ? (int)b.Whole() : null;
        var off = of.StopAt * of.Decision.Tolerance;
        // Buds, girths and heights as the card tells them, so that no difference nobody could read makes it another.
        return new(
            of.Class.Name,
            Told(of.Class.FromGirthCm),
            Told(of.Class.ToGirthCm),
            of.Decision.Kind,
            of.Stop,
            Whole(of.StopAt),
            Whole(of.StopAt - off),
            Whole(of.StopAt + off),
            Whole(of.Decision.BudsToLeave)!.Value,
            Whole(of.AtMostDown),
            of.BudsPerCm2 is { } gauge ? Math.Round(gauge, 2) : null,
            [
                .. from cut in prescription.Cuts
                let mine = of.Of(cut)
                where mine is not null
                select new IssuedStep(
                    cut.Number,
                    cut.StepId,
                    cut.Amount.Kind,
                    cut.Amount.Kind == AmountKind.ToTheGauge ? null : mine.Most,
                    Told(mine.AboveM)
                ),
            ],
            IssuedPrescription.Sorted(of.Settings, s => s.Key, s => Math.Round(s.Value, 3))
        );
    }

    internal bool AsksTheSame(IssuedClass other, bool byGauge) =>
        (Name, FromGirthCm, ToGirthCm, Kind, Stop)
            == (other.Name, other.FromGirthCm, other.ToGirthCm, other.Kind, other.Stop)
        && (Number, Least, Most, AtMostDown) == (other.Number, other.Least, other.Most, other.AtMostDown)
        && (!byGauge || BudsPerCm2 == other.BudsPerCm2)
        && Steps.SequenceEqual(other.Steps);

    private static double? Told(double? length) => length is { } told ? Math.Round(told, 1) : null;
}

/// <summary>How many cuts of one kind are asked for.</summary>
/// <param name="Order">Its number on the card.</param>
/// <param name="StepId">The step.</param>
/// <param name="Amount">How the number is told.</param>
/// <param name="Most">Cuts on one tree at most; null where the tree decides.</param>
/// <param name="AboveM">Height from which it is asked for, metres.</param>
public sealed record IssuedStep(int Order, string StepId, AmountKind Amount, int? Most, double? AboveM);

/// <summary>What is expected of the trees of one trunk class.</summary>
/// <param name="Share">Share of the trees.</param>
/// <param name="Standing">Floral buds before.</param>
/// <param name="Left">Floral buds after.</param>
/// <param name="LimbsLeft">Limbs left.</param>
/// <param name="Minutes">Working minutes per tree.</param>
/// <param name="ClustersToThinning">Clusters per tree left to thinning.</param>
/// <param name="Drops">Floral buds each step takes, by step.</param>
public sealed record ExpectedOfClass(
    double Share,
    double Standing,
    double Left,
    double LimbsLeft,
    double Minutes,
    double ClustersToThinning,
    IReadOnlyDictionary<string, double> Drops
)
{
    internal static ExpectedOfClass Of(ClassPrescription of) =>
        new(
            Math.Round(of.Class.Share, 4),
            Math.Round(of.Decision.Standing.Mean, 1),
            Math.Round(of.BudsLeft, 1),
            Math.Round(of.LimbsLeft, 1),
            Math.Round(of.MinutesPerTree, 2),
            Math.Round(of.ClustersToThinning, 1),
            of.Cuts.Where(c => c.IsMade).ToDictionary(c => c.StepId, c => Math.Round(c.Drop, 1))
        );
}
