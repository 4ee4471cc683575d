using Rama.Core.Estate;
using Rama.Core.Systems;

namespace Rama.Data.Exchange.Reading;

/// <summary>
/// Names of varieties, rootstocks and training systems as people write them: in any case, with or without points, and
/// by other names the trade has for them.
/// </summary>
/// <remarks>
/// Other names: common practice, no source. One that means two things to two growers is not among them; it is asked.
/// </remarks>
internal sealed class TradeNames
{
    private static readonly (string Name, string Others)[] SystemWords =
    [
        ("tall-spindle", "spindle|slender spindle|super spindle|tall spindle|spindel|husillo|huso|eje|eje alto|ts"),
        ("central-leader-in-tiers", "tiers|central leader|tiered|central axis|eje central|pisos|lider central"),
        (
            "two-axis-short-renewal",
            "two axis|2 axis|two leader|2 leader|double leader|bi axis|bi leader|doble eje|dos ejes|2 ejes"
        ),
        ("multi-leader-wall", "wall|fruit wall|fruiting wall|multi leader|multileader|planar|muro|muro frutal|palmeta"),
        ("open-v", "v|v trellis|v system|v shape|sistema v|en v"),
        ("long-pruned-spindle", "long pruned|long pruning|poda larga"),
        ("cherry-spindle", "cherry spindle|husillo cerezo"),
        ("cherry-multi-leader-bush", "multi leader bush|arbusto de varios ejes"),
        ("cherry-slender-axe", "slender axe|axe"),
        ("pedestrian-peach", "pedestrian|peatonal"),
        ("broad-canopy", "broad|free standing|freestanding|standard trees|copa libre|copa ancha"),
    ];

    private static readonly (string Name, string Others)[] StockWords =
    [
        ("Quince C", "membrillero c|membrillo c|quitte c|cognassier c|quince mc|em c|mc quince"),
        ("OHF 87", "ohxf 87|oh x f 87|ohf87"),
        ("own roots", "own root|own rooted|self rooted|franco propio|raices propias"),
        ("seedling", "franco|semilla|samling"),
    ];

    private static readonly (string Name, string Others)[] CropWords =
    [
        ("apple", "apples|manzano|manzana|manzanas|apfel"),
        ("pear", "pears|peral|pera|peras|birne"),
        ("cherry", "cherries|sweet cherry|cerezo|cereza|cerezas|kirsche"),
        ("peach", "peaches|duraznero|durazno|melocotonero|melocoton"),
        ("almond", "almonds|almendro|almendra|almendras|mandel"),
        ("lemon", "lemons|limonero|limon|limones"),
        ("lychee", "lychees|litchi|lichi|litchis"),
        ("avocado", "avocados|aguacate|palto|palta|paltas"),
    ];

    // Common practice, no source: what a grower means who says no more than "spindle", or nothing.
    private static readonly Dictionary<string, string> Usual = new()
    {
        ["apple"] = "tall-spindle",
        ["pear"] = "tall-spindle",
        ["cherry"] = "cherry-spindle",
        ["peach"] = "pedestrian-peach",
        ["almond"] = "open-vase",
        ["lemon"] = "layered-windows",
        ["lychee"] = "flush-tipped-dome",
        ["avocado"] = "one-leader-flat-limbs",
    };

    private readonly Dictionary<string, TrainingSystem> _byId;

    private readonly Dictionary<string, string> _varieties,
        _rootstocks,
        _systems,
        _crops;

    /// <param name="catalogue">What the estate knows.</param>
    public TradeNames(Catalogue catalogue)
    {
        _varieties = Table(catalogue.Varieties.Select(v => (v.Name, v.Name)), []);
        _rootstocks = Table(catalogue.Rootstocks.Select(r => (r.Name, r.Name)), StockWords);
        _systems = Table(
            catalogue.Systems.SelectMany(s => new[] { (s.Id, s.Id), (s.Id, s.Name.En), (s.Id, s.Name.Es) }),
            SystemWords
        );
        _crops = Table(catalogue.Crops.Select(c => (c.Id, c.Id)), CropWords);
        _byId = catalogue.Systems.ToDictionary(s => s.Id);
        Varieties = [.. catalogue.Varieties.Select(v => v.Name)];
        Rootstocks = [.. catalogue.Rootstocks.Select(r => r.Name)];
        Systems = [.. catalogue.Systems.Select(s => s.Id)];
    }

    /// <summary>Names of what Rama ships with.</summary>
    public static TradeNames Shipped { get; } = new(Catalogue.Shipped);

    /// <summary>Varieties there are.</summary>
    public IReadOnlyList<string> Varieties { get; }

    /// <summary>Rootstocks there are.</summary>
    public IReadOnlyList<string> Rootstocks { get; }

    /// <summary>Training systems there are.</summary>
    public IReadOnlyList<string> Systems { get; }

    /// <summary>The variety written; null where there is none of that name.</summary>
    public string? Variety(string written) => _varieties.GetValueOrDefault(Words.Plain(written));

    /// <summary>The rootstock written; null where there is none of that name.</summary>
    public string? Rootstock(string written) => _rootstocks.GetValueOrDefault(Words.Plain(written));

    /// <summary>The identifier of the training system written; null where there is none of that name.</summary>
    public string? System(string written) => _systems.GetValueOrDefault(Words.Plain(written));

    /// <summary>The identifier of the crop written; null where there is none of that name.</summary>
    public string? Crop(string written) => _crops.GetValueOrDefault(Words.Plain(written));

    /// <summary>The training system taken for a crop where a file names none, or one of other crops.</summary>
    /// <param name="crop">The crop.</param>
    public string? UsualSystem(string crop) =>
        Usual.TryGetValue(crop, out var usual) && _byId.ContainsKey(usual)
            ? usual
            : _byId.Values.FirstOrDefault(s => s.Crops.Contains(crop))?.Id;

    /// <summary>Whether a crop is grown in a training system, as far as it is known.</summary>
    /// <param name="system">Identifier of the system.</param>
    /// <param name="crop">The crop.</param>
    public bool Suits(string system, string crop) =>
        !_byId.TryGetValue(system, out var known) || known.Crops.Contains(crop);

    /// <summary>What is written in a field, as Rama knows it; null where it knows none of that name.</summary>
    /// <param name="field">The field.</param>
    /// <param name="written">What is written.</param>
    public string? Find(string field, string written) =>
        field switch
        {
            "variety" => Variety(written),
            "rootstock" => Rootstock(written),
            "system" => System(written),
            _ => written,
        };

    private static Dictionary<string, string> Table(
        IEnumerable<(string Name, string Written)> own,
        (string Name, string Others)[] words
    )
    {
        Dictionary<string, string> table = [];
        foreach (var (name, written) in own)
            table.TryAdd(Words.Plain(written), name);
        var known = table.Values.ToHashSet();
        foreach (var (name, others) in words)
            if (known.Contains(name))
                foreach (var other in others.Split('|'))
                    table.TryAdd(Words.Plain(other), name);
        return table;
    }
}
