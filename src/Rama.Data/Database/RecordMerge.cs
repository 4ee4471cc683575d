namespace Rama.Data.Database;

internal static class RecordMerge
{
    /// <summary>
    /// Makes a list of child records say what the entries say: rows of the same key are changed in place, so that the
    /// history tells what changed in them and not that all were replaced.
    /// </summary>
    public static void Merge<TRecord, TEntry, TKey>(
        this List<TRecord> records,
        IReadOnlyList<TEntry> entries,
        Func<TRecord, TKey> keyOfRecord,
        Func<TEntry, TKey> keyOfEntry,
        Func<TEntry, TRecord> make,
        Action<TRecord, TEntry> take
    )
        where TKey : notnull
    {
        var before = records.ToDictionary(keyOfRecord);
        records.Clear();
        foreach (var entry in entries)
        {
            if (before.TryGetValue(keyOfEntry(entry), out var record))
                take(record, entry);
            else
                record = make(entry);
            records.Add(record);
        }
    }
}
