using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Systems;

namespace Rama.Core.Training;

/// <summary>What the training of a planting follows from.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="Trees">Trees that are trained.</param>
/// <param name="FinalHeightM">Height of a grown tree there, metres.</param>
/// <param name="TopWireM">Height the leaders are to reach, metres.</param>
/// <param name="Measured">What was measured of its young trees.</param>
/// <param name="Wage">Wage an hour; no cost is told without it.</param>
/// <param name="CountedTcsaCm2">Trunk cross-section of trees counted this season, cm²; null where none were.</param>
public sealed record TrainingTerms(
    Planting Planting,
    double Trees,
    double FinalHeightM,
    double TopWireM,
    IReadOnlyList<YoungTrees> Measured,
    double? Wage = null,
    double? CountedTcsaCm2 = null
)
{
    /// <summary>Those of a planting on its own ground.</summary>
    /// <param name="planting">The planting.</param>
    /// <param name="trees">Trees that are trained.</param>
    /// <param name="heightLimitM">Height the rows carry, metres.</param>
    /// <param name="measured">What was measured of its young trees.</param>
    public static TrainingTerms Of(
        Planting planting,
        double trees,
        double heightLimitM,
        IReadOnlyList<YoungTrees> measured
    )
    {
        var height = FinalHeightOf(planting.System, heightLimitM);
        var wires = planting.System.Form.WiresBelow(height);
        return new(planting, trees, height, wires.Count == 0 ? height : wires.Max(), measured);
    }

    /// <summary>Height of a grown tree of a system where its rows carry no more than a limit, metres.</summary>
    /// <param name="system">The system.</param>
    /// <param name="heightLimitM">Height the rows carry, metres.</param>
    public static double FinalHeightOf(TrainingSystem system, double heightLimitM) =>
        Math.Min(system.Form.Typical.HeightM, Math.Max(0.5, heightLimitM));
}

/// <summary>The training of a planting leaf by leaf: its tasks with hours, what a tree has reached, and what it may
/// carry.</summary>
/// <param name="State">Where the planting stands; what its end waits for.</param>
/// <param name="TopWire">When the leader is expected at the top wire; null where it has not been measured.</param>
/// <param name="Leaves">The leaves, from the first.</param>
/// <param name="Leader">The bare leader as it would be made; null where its growth has not been measured.</param>
/// <param name="HoursAhead">Paid hours of the tasks of this leaf and those after it.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record TrainingPlan(
    TrainingState State,
    TopWire? TopWire,
    IReadOnlyList<TrainedLeaf> Leaves,
    BareLeader? Leader,
    double HoursAhead,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(HoursAhead, "h", Steps, Warnings)
{
    /// <summary>Works it out; null where the system has no programme.</summary>
    /// <param name="terms">What it follows from.</param>
    public static TrainingPlan? Of(TrainingTerms terms)
    {
        var planting = terms.Planting;
        if (planting.System.Training is not { } training || TrainingState.Of(terms) is not { } state)
            return null;
        var wire = TopWire.Of(terms, training);
        var size = new YoungSize(terms, wire);
        List<TrainedLeaf> leaves =
        [
            .. Enumerable.Range(1, training.Leaves).Select(leaf => TrainedLeaf.Of(terms, training, size, leaf)),
        ];
        var ahead = state.IsOn ? leaves.Where(l => l.Leaf >= state.Leaf).Sum(l => l.Hours) : 0;
        List<Notice> warnings = [.. wire?.Warnings ?? []];
        if (state.IsOn && planting.Leaf > training.Leaves)
            warnings.Add(
                new(
                    "training.over",
                    $"In leaf {planting.Leaf} the space is still not filled, where {training.Leaves} leaves are usual: "
                        + "the tasks of the last leaf go on.",
                    new Figure("leaf", planting.Leaf, "leaf"),
                    new("usual leaves", training.Leaves, "leaf")
                )
            );
        return new(
            state,
            wire,
            leaves,
            BareLeader.Measured(terms.Measured),
            ahead,
            [
                new(
                    "training.hours",
                    "Σ hours of the tasks of a leaf",
                    new("hours ahead", ahead, "h"),
                    [
                        .. leaves
                            .Where(l => state.IsOn && l.Leaf >= state.Leaf)
                            .Select(l => new Figure("hours of a leaf", l.Hours, "h")),
                    ],
                    training.Source
                ),
            ],
            warnings
        );
    }

    /// <summary>The leaf of a pass of this season; null where the planting is not in training.</summary>
    public TrainedLeaf? Now => State.IsOn ? Leaves[State.Leaf - 1] : null;
}

/// <summary>When a leader reaches the top wire.</summary>
/// <param name="Leaf">Leaves from planting until then.</param>
/// <param name="InLeaf">Leaf that is in.</param>
/// <param name="From">One leaf earlier, not before the next.</param>
/// <param name="To">One leaf later.</param>
/// <param name="OnWires">Whether that is a wire, or the final height where there are none.</param>
/// <param name="GrowthM">Growth of the leader until then, with what first crops take of it, metres a year.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record TopWire(
    double Leaf,
    int InLeaf,
    int From,
    int To,
    bool OnWires,
    double GrowthM,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(Leaf, "leaf", Steps, Warnings)
{
    /// <summary>The forecast; null where height or growth have not been measured.</summary>
    internal static TopWire? Of(TrainingTerms terms, YoungTraining training)
    {
        var last = terms.Measured.Where(m => m.HeightM is not null).MaxBy(m => m.Season);
        if (last is not { HeightM: { } height } || YoungTrees.ExtensionM(terms.Measured) is not (> 0 and var growth))
            return null;
        var leaf = last.Season - terms.Planting.YearPlanted + 1;
        // Leaves on the way that carry a first crop, which slow it; it takes the longer for them, so two rounds.
        var crops = 0;
        LeaderGrowth leader = new(leaf, height, growth, terms.TopWireM, 0);
        for (var round = 0; round < 2; round++)
        {
            leader = leader with { FirstCrops = crops };
            crops = Enumerable
                .Range(leaf + 1, (int)Math.Clamp(Math.Ceiling(leader.AtTheWire) - leaf, 0, PassTask.LastLeaf))
                .Count(l => training.At(l).Crop is > 0 and < 1);
        }
        var inLeaf = leader.InLeaf;
        List<Notice> warnings = [];
        if (leader.AtTheWire > training.Leaves + 1)
            warnings.Add(
                new(
                    "training.slow",
                    $"At this growth the leaders reach their height in leaf {inLeaf}, where {training.Leaves} leaves "
                        + "are usual. Fewer fruit, more feed and water, or a lower end.",
                    new Figure("leaf at the height", inLeaf, "leaf"),
                    new("usual leaves", training.Leaves, "leaf")
                )
            );
        return new(
            leader.AtTheWire,
            inLeaf,
            Math.Max(Math.Min(leaf + 1, inLeaf), inLeaf - 1),
            inLeaf + 1,
            terms.Planting.System.Form.WiresM is { Count: > 0 },
            leader.Slowed,
            [leader.Step],
            warnings
        );
    }
}

/// <summary>One leaf of a training programme.</summary>
/// <param name="Leaf">Growing season since planting.</param>
/// <param name="Season">Calendar year of its harvest.</param>
/// <param name="HeightM">Height at its end, metres.</param>
/// <param name="GirthCm">Trunk girth at its end, cm.</param>
/// <param name="Limbs">Limbs per tree at its end.</param>
/// <param name="IsMeasured">Whether the sizes were measured and are no expectation.</param>
/// <param name="Crop">The most fruit a tree may carry; null for none at all, or where the variety tells no crop
/// density.</param>
/// <param name="CropShare">That as a share of what a grown tree carries for each cm² of its trunk.</param>
/// <param name="Tasks">Its tasks in the order of the programme.</param>
/// <param name="Hours">Paid hours of the tasks in the planting.</param>
/// <param name="Cost">What they cost; null without a wage.</param>
public sealed record TrainedLeaf(
    int Leaf,
    int Season,
    double HeightM,
    double GirthCm,
    double Limbs,
    bool IsMeasured,
    FirstCrop? Crop,
    double CropShare,
    IReadOnlyList<TrainedTask> Tasks,
    double Hours,
    double? Cost
)
{
    internal static TrainedLeaf Of(TrainingTerms terms, YoungTraining training, YoungSize size, int leaf)
    {
        var planting = terms.Planting;
        var traits = TrainingTask.TraitsOf(planting.Variety, planting.Rootstock);
        List<TrainedTask> tasks =
        [
            .. from task in training.Tasks
            where task.IsIn(leaf, traits)
            select new TrainedTask(
                task,
                task.SecondsPerTree,
                task.SecondsPerTree is { } seconds
                    ? PassHours.Of(terms.Trees, seconds, 0, assumed: true, visits: task.Times ?? 1)
                    : null
            ),
        ];
        var hours = tasks.Sum(t => t.Hours?.Paid ?? 0);
        var girth = size.GirthCm(leaf);
        var share = training.At(leaf).Crop;
        return new(
            leaf,
            planting.YearPlanted + leaf - 1,
            size.HeightM(leaf),
            girth,
            size.Limbs(leaf),
            size.IsMeasured(leaf),
            share > 0 && FirstCrop.MatureDensity(planting.Variety) is { } density
                ? FirstCrop.Of(
                    // The trunk it enters the season with; where trees were counted, theirs.
                    leaf == planting.Leaf
                    && terms.CountedTcsaCm2 is { } counted
                        ? counted
                        : Math.Pow(size.GirthCm(leaf - 1), 2) / (4 * Math.PI),
                    density,
                    share: share
                )
                : null,
            share,
            tasks,
            hours,
            hours * terms.Wage
        );
    }
}

/// <summary>A task in a leaf.</summary>
/// <param name="Task">The task.</param>
/// <param name="SecondsPerTree">Seconds a tree each time; null where it takes none of its own.</param>
/// <param name="Hours">Its hours in the planting; null where it takes none of its own.</param>
public sealed record TrainedTask(TrainingTask Task, double? SecondsPerTree, PassHours? Hours);

/// <summary>Size of young trees at the end of each leaf: as measured, and from there on as the leader grew, or as is
/// usual for the system.</summary>
internal sealed class YoungSize(TrainingTerms terms, TopWire? wire)
{
    private const double CmPerMm = 0.1;

    private readonly SystemForm _form = terms.Planting.System.Form;
    private readonly YoungTraining _training = terms.Planting.System.Training!;

    public bool IsMeasured(int leaf) => At(leaf) is { HeightM: not null } or { GirthCm: not null };

    public double HeightM(int leaf) =>
        wire is not null
        && terms.Measured.Where(m => m.HeightM is not null).MaxBy(m => m.Season) is { HeightM: { } height } last
        && LeafOf(last.Season) is var from
        && leaf > from
            ? Math.Max(height, Math.Min(terms.FinalHeightM, height + wire.GrowthM * (leaf - from)))
            : Size(leaf, m => m.HeightM, g => g.Height, terms.FinalHeightM, most: terms.FinalHeightM);

    public double GirthCm(int leaf) =>
        leaf < 1
            ? GirthCm(1) * PlantedShare
            : Size(leaf, m => m.GirthCm, g => g.Trunk, _form.Typical.TrunkMm * CmPerMm * Math.PI);

    public double Limbs(int leaf) =>
        Size(leaf, m => m.Limbs, g => g.Limbs, _form.LimbsPerTree, most: _form.LimbsPerTree);

    // A tree from the nursery against one a leaf later: assumption.
    private const double PlantedShare = 0.7;

    private int LeafOf(int season) => season - terms.Planting.YearPlanted + 1;

    private YoungTrees? At(int leaf) => terms.Measured.FirstOrDefault(m => LeafOf(m.Season) == leaf);

    // After the last measure a tree keeps the share of the usual size it has, and comes to it with the grown tree.
    private double Size(
        int leaf,
        Func<YoungTrees, double?> of,
        Func<LeafGrowth, double> share,
        double grown,
        double? most = null
    )
    {
        if (At(leaf) is { } here && of(here) is { } measured)
            return measured;
        var before = terms.Measured.Where(m => LeafOf(m.Season) < leaf && of(m) is > 0).MaxBy(m => m.Season);
        var usual = share(_training.At(leaf)) * grown;
        if (before is null)
            return usual;
        var from = share(_training.At(LeafOf(before.Season))) * grown;
        var stood = of(before)!.Value;
        var size =
            from <= 0 ? usual
            : grown - from > 0 ? stood + (grown - stood) * Math.Clamp((usual - from) / (grown - from), 0, 1)
            : stood;
        return Math.Max(stood, most is { } limit ? Math.Min(limit, size) : size);
    }
}
