namespace Rama.Core.Count;

/// <summary>All buds of one kind on a tree, floral or not.</summary>
/// <param name="Kind">Kind of bud.</param>
/// <param name="Buds">Buds of it.</param>
public sealed record KindCount(string Kind, double Buds);

/// <summary>All buds of one kind on a tree, as typed.</summary>
public sealed record KindCountEntry
{
    /// <summary>Kind of bud.</summary>
    public string? Kind { get; init; }

    /// <summary>Buds of it, floral or not.</summary>
    public double? Buds { get; init; }
}
