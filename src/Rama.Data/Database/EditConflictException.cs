using Rama.Data.Plan;

namespace Rama.Data.Database;

/// <summary>
/// Someone else saved the same planting first. Carries what they saved, so that nothing typed is lost.
/// </summary>
public sealed class EditConflictException(StoredPlanting current)
    : Exception("The planting was changed by someone else.")
{
    /// <summary>The planting as somebody else saved it.</summary>
    public StoredPlanting Current { get; } = current;
}
