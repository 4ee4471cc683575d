using Microsoft.EntityFrameworkCore;
using Npgsql;
using Rama.Core.Explain;

namespace Rama.Data.Database;

/// <summary>Tells a save that met another one from a save that failed.</summary>
public static class Conflicts
{
    /// <summary>
    /// Whether somebody else saved the same row first: seen at its version, or at a key both wanted to make.
    /// </summary>
    /// <param name="failure">How the save ended.</param>
    public static bool IsOthersSave(this DbUpdateException failure) =>
        failure is DbUpdateConcurrencyException || failure.IsTakenKey();

    /// <summary>The refusal of a save that came after another one of the same.</summary>
    /// <param name="field">Field it is told at.</param>
    public static UnusableEntryException ChangedMeanwhile(string field) =>
        new([new(field, "changed", "Someone else changed this meanwhile. Look at it again.")]);

    /// <summary>Saves; a save that somebody else came before is refused.</summary>
    /// <param name="database">What is saved.</param>
    /// <param name="field">Field the refusal is told at.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">Someone else saved the same first; nothing is saved.</exception>
    public static async Task SaveOrRefuseAsync(this DbContext database, string field, CancellationToken cancel)
    {
        try
        {
            await database.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (e.IsOthersSave())
        {
            throw ChangedMeanwhile(field);
        }
    }

    /// <summary>Puts what is told in the place of a record read at a version, or takes the record away where nothing is
    /// told.</summary>
    /// <typeparam name="T">The record.</typeparam>
    /// <param name="database">What is saved.</param>
    /// <param name="field">Field a refusal is told at.</param>
    /// <param name="known">The record there is, with its version; null and 0 for none.</param>
    /// <param name="seen">Version it was read at; 0 for none.</param>
    /// <param name="takeOver">Takes over what is told; null where nothing is.</param>
    /// <param name="make">A new record.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">Someone else saved first; nothing is saved.</exception>
    public static async Task PutAsync<T>(
        this DbContext database,
        string field,
        (T? Record, uint Version) known,
        uint seen,
        Action<T>? takeOver,
        Func<T> make,
        CancellationToken cancel
    )
        where T : class
    {
        if (known.Version != seen)
            throw ChangedMeanwhile(field);
        var record = known.Record;
        if (takeOver is null)
        {
            if (record is not null)
                database.Remove(record);
        }
        else
        {
            if (record is null)
                database.Add(record = make());
            takeOver(record);
        }
        await database.SaveOrRefuseAsync(field, cancel);
    }

    /// <summary>Whether a key was taken already, in one of these tables or in any when none is named.</summary>
    /// <param name="failure">How the save ended.</param>
    /// <param name="tables">Names of tables.</param>
    public static bool IsTakenKey(this DbUpdateException failure, params ReadOnlySpan<string> tables) =>
        failure.InnerException is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation } taken
        && (tables.IsEmpty || tables.Contains(taken.TableName));

    /// <summary>Whether a save broke the constraint or unique index of that name.</summary>
    /// <param name="failure">How the save ended.</param>
    /// <param name="constraint">Name of the constraint.</param>
    public static bool Breaks(this DbUpdateException failure, string constraint) =>
        failure.InnerException is PostgresException broken && broken.ConstraintName == constraint;

    /// <summary>
    /// Whether a transaction that was to stand alone met another one, and may be tried again.
    /// </summary>
    /// <param name="failure">How it ended.</param>
    public static bool IsOutOfOrder(this Exception failure) =>
        failure is DbUpdateConcurrencyException
        || (failure as PostgresException ?? failure.InnerException as PostgresException)?.SqlState
            is PostgresErrorCodes.SerializationFailure
                or PostgresErrorCodes.DeadlockDetected;
}
