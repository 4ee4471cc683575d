using Rama.Data.Database;

namespace Rama.Data.History;

/// <summary>A row that says itself when it was added and by whom.</summary>
public interface IStamped
{
    /// <summary>Notes when it is added and by whom.</summary>
    /// <param name="at">Now.</param>
    /// <param name="by">Who; null for Rama itself.</param>
    void Stamp(DateTimeOffset at, Author? by);
}
