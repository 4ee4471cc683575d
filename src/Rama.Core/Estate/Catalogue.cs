using System.Text.Json.Serialization;
using Rama.Core.Explain;

namespace Rama.Core.Estate;

/// <summary>Crops, varieties and rootstocks: those Rama ships with, or an estate's own over them.</summary>
/// <param name="Crops">Crops by how they bear.</param>
/// <param name="Varieties">Varieties by crop.</param>
/// <param name="Rootstocks">Rootstocks by crop.</param>
public sealed record Catalogue(IReadOnlyList<Crop> Crops, IReadOnlyList<Variety> Varieties, IReadOnlyList<Rootstock> Rootstocks)
{
    /// <summary>The catalogue that ships with Rama, <c>Estate/catalogue.json</c>.</summary>
    public static Catalogue Shipped { get; } = DataFile.Read<CatalogueFile>("Estate/catalogue.json").Catalogue;

    /// <summary>The variety of that name, or null.</summary>
    public Variety? Variety(string? name) => Varieties.FirstOrDefault(v => v.Name == name);

    /// <summary>The rootstock of that name, or null.</summary>
    public Rootstock? Rootstock(string? name) => Rootstocks.FirstOrDefault(r => r.Name == name);

    /// <summary>This catalogue with an estate's own varieties: one of a name known here takes its place, others are added.</summary>
    public Catalogue With(IReadOnlyCollection<Variety> own)
    {
        if (own.Count == 0) return this;
        var byName = own.ToDictionary(v => v.Name);
        var added = own.Where(v => Variety(v.Name) is null).OrderBy(v => v.Crop, StringComparer.Ordinal).ThenBy(v => v.Name, StringComparer.Ordinal);
        return this with { Varieties = [.. Varieties.Select(v => byName.GetValueOrDefault(v.Name, v)), .. added] };
    }

    // The file names its schema beside the entries, for editors and checkers.
    private sealed record CatalogueFile(
        [property: JsonPropertyName("$schema")] string Schema, IReadOnlyList<Crop> Crops, IReadOnlyList<Variety> Varieties, IReadOnlyList<Rootstock> Rootstocks)
    {
        public Catalogue Catalogue => new(Crops, Varieties, Rootstocks);
    }
}
