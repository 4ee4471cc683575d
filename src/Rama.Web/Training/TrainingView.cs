using Rama.Core.Explain;
using Rama.Core.Training;

namespace Rama.Web.Training;

/// <summary>The training of a planting.</summary>
/// <param name="Season">Season at hand.</param>
/// <param name="Leaf">Leaf of the planting in it.</param>
/// <param name="Plan">Its programme leaf by leaf; null where its system has none.</param>
/// <param name="Measured">What was measured, the first season first.</param>
/// <param name="Done">What was done of it, in any season.</param>
public sealed record TrainingView(
    int Season,
    int Leaf,
    TrainingPlan? Plan,
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
