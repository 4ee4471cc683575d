using Rama.Core.Crops;
using Rama.Core.Passes;
using Rama.Core.Systems;

namespace Rama.Core.Estate;

/// <summary>Crops, varieties and rootstocks: those Rama ships with, or an estate's own over them.</summary>
/// <param name="Crops">Crops by how they bear.</param>
/// <param name="Varieties">Varieties by crop.</param>
/// <param name="Rootstocks">Rootstocks by crop.</param>
public sealed record Catalogue(
    IReadOnlyList<Crop> Crops,
    IReadOnlyList<Variety> Varieties,
    IReadOnlyList<Rootstock> Rootstocks
)
{
    /// <summary>Training systems of the estate's own, or shipped ones as it changed them.</summary>
    public IReadOnlyList<TrainingSystem> OwnSystems { get; init; } = [];

    /// <summary>
    /// Numbers kept to over the whole estate: what its seasons taught of them foretold worse than what Rama comes with.
    /// </summary>
    public IReadOnlySet<LearnedQuantity> KeptTo { get; init; } = new HashSet<LearnedQuantity>();

    /// <summary>Shoots grown after wood was cut, over all plantings of the estate.</summary>
    public EstatePairs Shoots { get; init; } = EstatePairs.None;

    /// <summary>All training systems: the shipped ones with the estate's own over them.</summary>
    public IReadOnlyList<TrainingSystem> Systems => Over(TrainingSystem.Shipped, OwnSystems, s => s.Id, s => s.Id);

    /// <summary>The catalogue that ships with Rama.</summary>
    public static Catalogue Shipped { get; } = new(ShippedCrops.Crops, ShippedCrops.Varieties, ShippedCrops.Rootstocks);

    /// <summary>The crop of that identifier.</summary>
    /// <exception cref="InvalidOperationException">There is none; crops of varieties are checked when they are
    /// read.</exception>
    public Crop Crop(string id) => Crops.First(c => c.Id == id);

    /// <summary>The variety of that name, or null.</summary>
    public Variety? Variety(string? name) => Varieties.FirstOrDefault(v => v.Name == name);

    /// <summary>The training system of that identifier, or null.</summary>
    public TrainingSystem? System(string? id) => OwnSystems.FirstOrDefault(s => s.Id == id) ?? TrainingSystem.Find(id);

    /// <summary>Passes plantings of a system may have; those all share for one that is not there.</summary>
    public IReadOnlyList<PassDefinition> PassesOf(string? system) => System(system)?.AllPasses() ?? PassDefinition.All;

    /// <summary>The rootstock of that name, or null.</summary>
    public Rootstock? Rootstock(string? name) => Rootstocks.FirstOrDefault(r => r.Name == name);

    /// <summary>
    /// This catalogue with an estate's own entries: one of a name known here takes its place, others are added.
    /// </summary>
    public Catalogue With(IReadOnlyCollection<Variety> varieties, IReadOnlyCollection<Rootstock> rootstocks) =>
        this with
        {
            Varieties = Over(Varieties, varieties, v => v.Name, v => v.Crop),
            Rootstocks = Over(Rootstocks, rootstocks, r => r.Name, r => r.Crop),
        };

    private static IReadOnlyList<T> Over<T>(
        IReadOnlyList<T> shipped,
        IReadOnlyCollection<T> own,
        Func<T, string> name,
        Func<T, string> crop
    )
    {
        if (own.Count == 0)
            return shipped;
        var byName = own.ToDictionary(name);
        var known = shipped.Select(name).ToHashSet();
        return
        [
            .. shipped.Select(s => byName.GetValueOrDefault(name(s), s)),
            .. own.Where(o => !known.Contains(name(o)))
                .OrderBy(crop, StringComparer.Ordinal)
                .ThenBy(name, StringComparer.Ordinal),
        ];
    }
}
