using Rama.Core.Explain;
using Rama.Core.Training;

namespace Rama.Web.Training;

/// <summary>The training of a planting.</summary>
/// <param name="Season">Season at hand.</param>
/// <param name="Leaf">Leaf of the planting in it.</param>
/// <param name="Plan">Its programme leaf by leaf; null where its system has none.</param>
/// <param name="Leader">Bare leader to begin with on the bench.</param>
/// <param name="Measured">What was measured, the first season first.</param>
/// <param name="Done">What was done of it, in any season.</param>
public sealed record TrainingView(
    int Season,
    int Leaf,
    TrainingPlan? Plan,
    BareLeaderEntry Leader,
    IReadOnlyList<MeasuredSeason> Measured,
    IReadOnlyList<TaskDone> Done
);

/// <summary>Young trees measured at the end of a season.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="Trees">The measures as typed.</param>
/// <param name="Version">Version, to be sent back when saving.</param>
public sealed record MeasuredSeason(int Season, YoungTreesEntry Trees, uint Version);

/// <summary>A task reported done.</summary>
/// <param name="Season">Season it was done in.</param>
/// <param name="Leaf">Leaf of the planting then.</param>
/// <param name="Task">Identifier.</param>
/// <param name="Name">The task in two or three words; null where the programme has it no more.</param>
/// <param name="Day">The day.</param>
public sealed record TaskDone(int Season, int Leaf, string Task, LocalText? Name, DateOnly Day);

/// <summary>Measures to save, with the version they were read at; 0 for none.</summary>
public sealed record SaveYoungTrees(uint Version, YoungTreesEntry Trees);

/// <summary>How the sides of a planting take turns.</summary>
/// <param name="Season">Season at hand.</param>
/// <param name="Has">Whether its system renews sides in turn.</param>
/// <param name="Note">What to know before choosing it; null for nothing.</param>
/// <param name="Earliest">First season in which a side may be renewed.</param>
/// <param name="Sides">The plan as typed; null where nobody said.</param>
/// <param name="Version">Its version, to be sent back when saving; 0 for none.</param>
/// <param name="Rows">Rows listed; 0 for none, when some stand for them.</param>
/// <param name="Calendar">Seasons from the one before this on; none without a plan.</param>
/// <param name="Warnings">Where the cuts chosen do not fit.</param>
public sealed record SidesView(
    int Season,
    bool Has,
    LocalText? Note,
    int Earliest,
    SidePlanEntry? Sides,
    uint Version,
    int Rows,
    IReadOnlyList<SideSeason> Calendar,
    IReadOnlyList<Notice> Warnings
);

/// <summary>A plan of sides to save, with the version it was read at; 0 for none.</summary>
public sealed record SaveSides(uint Version, SidePlanEntry Sides);
