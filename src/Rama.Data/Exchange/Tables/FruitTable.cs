using Rama.Core.Target.Size;
using Rama.Data.Estate;

namespace Rama.Data.Exchange.Tables;

/// <summary>
/// Fruit that were measured and weighed; one line a fruit. A file takes the place of what a planting had.
/// </summary>
internal sealed class FruitTable : ExchangeTable
{
    public override string Name => "fruit";

    public override IReadOnlyList<ExchangeColumn> Columns { get; } =
    [
        PlantingBook.Column,
        new("diameter", ColumnKind.Amount, ["Diameter", "Fruit diameter", "Diámetro"], ["mm", "in"], Required: true),
        new("mass", ColumnKind.Amount, ["Mass", "Fruit mass", "Weight", "Peso", "Masa"], ["g", "oz"], Required: true),
    ];

    internal override async Task<ITaking> BeginAsync(ImportTarget target, CancellationToken cancel) =>
        new Taking(target, await PlantingBook.LoadAsync(target.Database, cancel));

    internal override async Task<IEnumerable<IReadOnlyList<object?>>> WriteAsync(
        ExportSource source,
        CancellationToken cancel
    ) =>
        (await source.PlantingsAsync(cancel)).SelectMany(
            p => p.ToFruitSample().Fruit,
            (p, f) => ExportSource.Line(p.Code, f.Diameter ?? new(), f.Mass ?? new())
        );

    private sealed class Taking(ImportTarget target, PlantingBook book) : ITaking
    {
        private readonly Dictionary<PlantingRecord, List<(int Line, WeighedFruitEntry Fruit)>> _samples = [];

        public void ReadLine(LineReader line)
        {
            if (book.Of(line) is not { } planting)
                return;
            WeighedFruitEntry fruit = new() { Diameter = line.Amount("diameter"), Mass = line.Amount("mass") };
            fruit.Read(line.Problems, "");
            if (line.Problems.Problems.Count > 0)
                return;
            if (!_samples.TryGetValue(planting, out var sample))
                _samples.Add(planting, sample = []);
            sample.Add((line.LineNumber, fruit));
        }

        public void Finish()
        {
            foreach (var (planting, sample) in _samples)
            {
                FruitSampleEntry entry = new() { Fruit = [.. sample.Select(s => s.Fruit)] };
                if (sample.Count > FruitSampleEntry.MostFruit)
                {
                    target.Add(
                        sample[FruitSampleEntry.MostFruit].Line,
                        "code",
                        "list",
                        $"Planting {planting.Code}: expected at most {FruitSampleEntry.MostFruit} fruit."
                    );
                    continue;
                }
                var before = planting.ToFruitSample().Fruit;
                var same = before.SequenceEqual(entry.Fruit);
                foreach (var _ in sample)
                    target.Was(
                        same ? LineOutcome.Same
                        : before.Count == 0 ? LineOutcome.Added
                        : LineOutcome.Changed
                    );
                if (!same)
                    planting.TakeOver(entry);
            }
        }
    }
}
