using System.Globalization;
using MathNet.Numerics.Distributions;
using Rama.Core.Estate;

namespace Rama.StandIns;

/// <summary>
/// A simulated canopy bud scanner: walks the rows of a planting, as Rama exports them, and writes a line a tree. The
/// buds that stand are made up from the trunks; of these it sees a known share with a known error.
/// </summary>
internal static class ScannerStandIn
{
    public static async Task<int> RunAsync(Options options)
    {
        await WriteAsync(options);
        if (options.Optional("to") is null)
            return 0;
        await using var written = File.OpenRead(options.Text("out"));
        return await Sending.SendAsync(options, "scans", Path.GetFileName(written.Name), written);
    }

    private static async Task WriteAsync(Options options)
    {
        var code = options.Text("planting");
        var random = new Random((int)options.Number("seed", 1, 0, int.MaxValue));
        var (share, error) = (options.Number("share", 0.8, 0.05, 2), options.Number("error-cv", 0.12, 0, 1));
        var budsPerCm2 = options.Number("buds-per-cm2", 11, 0.1, 60);
        var (mean, sd) = (options.Number("mean-mm", 52, 10, 300), options.Number("sd-mm", 6, 0, 100));
        var leaders = (int)options.Number("leaders", 0, 0, 12);
        var trunks = options.Optional("trunks") is { } file
            ? Lines(file).Where(l => l["Planting"] == code).ToDictionary(Place, l => Number(l["Girth"]) * 10 / Math.PI)
            : [];

        // Trees somebody counted have the girth and the buds that were found on them.
        var counted = options.Optional("counts") is { } counts
            ? Lines(counts)
                .Where(l =>
                    l["Planting"] == code && l["Season"] == options.Text("season") && l["Floral buds"].Length > 0
                )
                .ToDictionary(Place, l => (GirthCm: Number(l["Girth"]), Buds: Number(l["Floral buds"])))
            : [];

        var rows = Lines(options.Text("rows"))
            .Where(l => l["Planting"] == code)
            .Select(l =>
                new RowEntry
                {
                    Row = Number(l["Row"]),
                    FirstTree = l["First tree"].Length == 0 ? null : Number(l["First tree"]),
                    Trees = Number(l["Trees"]),
                    Missing = l["Missing"],
                    Replants = l["Replants"],
                    Pollinizers = l["Pollinizers"],
                    ToGrub = l["To grub"],
                }.Read()
            )
            .ToList();
        if (rows.Count == 0)
            throw new ArgumentException($"There are no rows of planting {code}.");

        await using var writer = new StreamWriter(options.Text("out"));
        await writer.WriteLineAsync(
            "Planting,Row,Tree,Trunk (mm),Limbs,Buds"
                + string.Concat(Enumerable.Range(1, leaders).Select(i => $",Leader {i}"))
        );
        var trees = 0;
        foreach (var row in rows)
            for (var tree = row.FirstTree; tree <= row.LastTree; tree++)
            {
                if (row.Missing.Contains(tree))
                    continue;
                var small = row.Replants.Contains(tree);
                var trunk = trunks.TryGetValue((row.Number, tree), out var known)
                    ? known
                    : Math.Max(12, Normal.Sample(random, small ? mean / 2 : mean, sd));
                var standing =
                    budsPerCm2 * Math.PI * trunk * trunk / 400 * Math.Max(0.3, Normal.Sample(random, 1, 0.18));
                if (counted.TryGetValue((row.Number, tree), out var found))
                    (trunk, standing) = (found.GirthCm * 10 / Math.PI, found.Buds);
                var seen = Math.Max(0, standing * share * Normal.Sample(random, 1, error));
                var parts = Enumerable
                    .Range(0, leaders)
                    .Select(_ => Math.Max(0.1, Normal.Sample(random, 1, 0.3)))
                    .ToList();
                await writer.WriteLineAsync(
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"{code},{row.Number},{tree},{trunk:0.0},{Math.Max(4, Normal.Sample(random, small ? 10 : 24, 3)):0},{seen:0}"
                    )
                        + string.Concat(
                            parts.Select(p =>
                                string.Create(CultureInfo.InvariantCulture, $",{seen * p / parts.Sum():0}")
                            )
                        )
                );
                trees++;
            }
        Console.WriteLine(
            $"Simulated scanner: {trees} trees of {code} written to {options.Text("out")}; it saw {share:P0} of the buds with an error of {error:P0}."
        );
    }

    private static (int, int) Place(Dictionary<string, string> line) =>
        (int.Parse(line["Row"], CultureInfo.InvariantCulture), int.Parse(line["Tree"], CultureInfo.InvariantCulture));

    private static double Number(string text) => double.Parse(text, CultureInfo.InvariantCulture);

    // Rama's own export: commas, and quotes around lists.
    private static IEnumerable<Dictionary<string, string>> Lines(string file)
    {
        var all = File.ReadLines(file).Where(l => l.Length > 0).Select(Cells).ToList();
        if (all.Count == 0)
            throw new ArgumentException($"{file} is empty.");
        return all.Skip(1)
            .Select(cells =>
                all[0].Zip(cells.Concat(Enumerable.Repeat("", all[0].Count))).ToDictionary(c => c.First, c => c.Second)
            );
    }

    private static List<string> Cells(string line)
    {
        List<string> cells = [""];
        var quoted = false;
        foreach (var c in line.TrimStart('\uFEFF'))
        {
            if (c == '"')
                quoted = !quoted;
            else if (c == ',' && !quoted)
                cells.Add("");
            else
                cells[^1] += c;
        }
        return cells;
    }
}
