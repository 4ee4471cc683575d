namespace Rama.Data.Field;

/// <summary>The handlers of all kinds of field entries.</summary>
public sealed class FieldHandlers(IEnumerable<FieldHandler> handlers)
{
    private readonly Dictionary<FieldKind, FieldHandler> _byKind = handlers.ToDictionary(h => h.Kind);

    /// <summary>The handler of a kind.</summary>
    /// <param name="kind">The kind.</param>
    public FieldHandler Of(FieldKind kind) => _byKind[kind];

    /// <summary>The handler of that type.</summary>
    /// <typeparam name="T">A handler.</typeparam>
    public T Of<T>()
        where T : FieldHandler => _byKind.Values.OfType<T>().Single();

    /// <summary>The handler of a kind as a device names it; null for one that is not known here.</summary>
    /// <param name="kind">Its name.</param>
    public FieldHandler? Find(string? kind) =>
        // A number is no name.
        kind is [(>= 'A' and <= 'Z') or (>= 'a' and <= 'z'), ..]
        && Enum.TryParse<FieldKind>(kind, true, out var known)
            ? _byKind.GetValueOrDefault(known)
            : null;
}
