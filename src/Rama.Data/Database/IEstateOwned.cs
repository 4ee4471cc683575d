namespace Rama.Data.Database;

/// <summary>
/// A row that belongs to one estate: filtered in every query, and behind row-level security in the database.
/// </summary>
public interface IEstateOwned
{
    /// <summary>Estate it belongs to.</summary>
    Guid EstateId { get; }
}
