using Rama.Core.Explain;

namespace Rama.Core.Estate;

/// <summary>The varieties and rootstocks Rama ships with, read from <c>Estate/catalogue.json</c>.</summary>
/// <param name="Varieties">Varieties by crop.</param>
/// <param name="Rootstocks">Rootstocks by crop.</param>
public sealed record Catalogue(IReadOnlyList<Variety> Varieties, IReadOnlyList<Rootstock> Rootstocks)
{
    /// <summary>The catalogue that ships with Rama.</summary>
    public static Catalogue Shipped { get; } = DataFile.Read<Catalogue>("Estate/catalogue.json");

    /// <summary>The variety of that name, or null.</summary>
    public Variety? Variety(string? name) => Varieties.FirstOrDefault(v => v.Name == name);

    /// <summary>The rootstock of that name, or null.</summary>
    public Rootstock? Rootstock(string? name) => Rootstocks.FirstOrDefault(r => r.Name == name);
}
