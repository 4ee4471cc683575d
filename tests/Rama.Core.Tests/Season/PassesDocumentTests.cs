using System.Globalization;
using System.Text;
using Rama.Core.Estate;
using Rama.Core.Passes;
using Rama.Core.Season;
using Rama.Core.Systems;
using Rama.Core.Weather;

namespace Rama.Core.Tests.Season;

/// <summary>The table of every pack and hemisphere in docs/passes.md, which people go through line by line.</summary>
public sealed class PassesDocumentTests
{
    private static readonly DateOnly North = new(2027, 3, 15),
        South = new(2026, 9, 12);

    private static readonly (string Name, int Leaf, string? Answers)[] Kinds =
    [
        ("bearing, one winter pass", 10, null),
        ("bearing, answers that part the work", 10, "later"),
        ("first leaf", 1, null),
        ("third leaf", 3, null),
    ];

    private static string RootFrom(string folder) =>
        File.Exists(Path.Combine(folder, "Rama.slnx")) ? folder : RootFrom(Path.GetDirectoryName(folder)!);

    [Fact]
    public void The_document_tells_what_the_passes_are()
    {
        var root = RootFrom(AppContext.BaseDirectory);
        var file = Path.Combine(root, "docs/passes.md");
        var now = Written();
        if (File.Exists(file) && File.ReadAllText(file) == now)
            return;
        var beside = Path.Combine(root, "artifacts/passes.md");
        Directory.CreateDirectory(Path.GetDirectoryName(beside)!);
        File.WriteAllText(beside, now);
        Assert.Fail(
            "docs/passes.md tells other passes. Read artifacts/passes.md line by line, then put it in its place."
        );
    }

    private static string Written()
    {
        var text = new StringBuilder();
        text.Append(
            CultureInfo.InvariantCulture,
            $"""
            # Passes

            Every pass of every shipped system in a season harvested in 2027: in the north with green tip on
            {North:d MMMM}, in the south (41° S) with green tip on {South:d MMMM yyyy}. Days hang on the crop's
            usual days after green tip (`Passes/phenology.json`, assumption) until an estate notes its own. A test
            writes this table; it was gone through against the rules of the trade: nothing before cold-hardening,
            no cherry wound from autumn to midwinter, peach from bud swell, after-harvest cuts eight weeks before
            leaf fall at the latest, brush within 14 days.

            """
        );
        foreach (var system in TrainingSystem.Shipped)
        foreach (var (name, leaf, answers) in Kinds)
        {
            var chosen = answers is null ? new Dictionary<string, string>() : Later(system);
            if (answers is not null && chosen.Count == 0)
                continue;
            var north = Of(system, leaf, chosen, North);
            var south = Of(system, leaf, chosen, South);
            text.Append(CultureInfo.InvariantCulture, $"\n## {system.Name.En}: {name}\n\n");
            text.Append("| pass | north | south | on days | hands | cuts |\n|---|---|---|---|---|---|\n");
            foreach (var pass in north.Passes)
                text.Append(Row(pass, south.Passes.Single(p => p.Id == pass.Id)));
        }
        return text.ToString();
    }

    private static string Row(PlannedPass north, PlannedPass south)
    {
        var cuts = string.Join("; ", north.Cuts.Select(c => c.Name.En));
        string[] cells = [north.Name.En, Days(north), Days(south), Words(north.On), Words(north.Hands), cuts];
        return $"| {string.Join(" | ", cells)} |\n";
    }

    private static string Days(PlannedPass pass) =>
        pass.Says?.Message
        ?? string.Create(CultureInfo.InvariantCulture, $"{pass.Window.From:d MMM yyyy} – {pass.Window.To:d MMM yyyy}")
            + (pass.EveryDays is { } every ? $", every {every} days" : "");

    private static string Words<T>(IEnumerable<T> names) =>
        string.Join(
            ", ",
            names.Select(n =>
                string.Concat($"{n}".Select((c, i) => char.IsUpper(c) && i > 0 ? $" {c}" : $"{c}")).ToLowerInvariant()
            )
        );

    // Answers that move a step out of the winter, or part it.
    private static Dictionary<string, string> Later(TrainingSystem system) =>
        system
            .Questions.Select(q =>
                (q.Id, Option: q.Options.FirstOrDefault(o => o.TwoPasses || o.Moves?.Count > 0 || o.Id == "left"))
            )
            .Where(q => q.Option is not null)
            .ToDictionary(q => q.Id, q => q.Option!.Id);

    private static Programme Of(TrainingSystem system, int leaf, Dictionary<string, string> answers, DateOnly tip)
    {
        var crop = system.Crops[0];
        var planting = (
            Entries.Planting with
            {
                Variety = Catalogue.Shipped.Varieties.First(v => v.Crop == crop).Name,
                Rootstock = Catalogue.Shipped.Rootstocks.First(r => r.IsFor(crop)).Name,
                System = system.Id,
                YearPlanted = 2028 - leaf,
            }
        ).Read(2027);
        return Programme.Of(
            new(planting, 1_000, answers, AnchorDays.Of(crop, new(tip, 3, GreenTipBasis.Planting)), IsCounted: leaf > 3)
        );
    }
}
