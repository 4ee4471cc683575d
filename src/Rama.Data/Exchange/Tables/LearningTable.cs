using Rama.Core.Estate;
using Rama.Core.Quantities;
using Rama.Core.Result.Learning;
using Rama.Data.Estate;

namespace Rama.Data.Exchange.Tables;

/// <summary>
/// Learned numbers a person set aside; one line a planting and number. A file takes the place of what a planting had.
/// </summary>
internal sealed class LearningTable : ExchangeTable
{
    public override string Name => "learning";

    public override IReadOnlyList<ExchangeColumn> Columns { get; } =
    [
        PlantingBook.Column,
        ExchangeColumn.Text("quantity", true, "Learned number", "Número aprendido"),
        new(
            "pinned",
            ColumnKind.Amount,
            ["Pinned to", "Fijado en"],
            ["share", "%", "cm", "in", "g", "oz", "bud/fruit", "shoot/tree", "1"]
        ),
        ExchangeColumn.Text("reason", true, "Reason", "Motivo"),
    ];

    internal override async Task<ITaking> BeginAsync(ImportTarget target, CancellationToken cancel) =>
        new Taking(target, await PlantingBook.LoadAsync(target.Database, cancel));

    internal override async Task<IEnumerable<IReadOnlyList<object?>>> WriteAsync(
        ExportSource source,
        CancellationToken cancel
    ) =>
        (await source.PlantingsAsync(cancel)).SelectMany(
            p => p.ToLearning().Choices,
            (p, c) => ExportSource.Line(p.Code, c.Quantity.ToString(), c.Pinned ?? new Amount(), c.Reason)
        );

    private sealed class Taking(ImportTarget target, PlantingBook book) : ITaking
    {
        private readonly Dictionary<PlantingRecord, List<(int Line, LearnedChoiceEntry Choice)>> _choices = [];

        public void ReadLine(LineReader line)
        {
            if (book.Of(line) is not { } planting)
                return;
            var quantity = line.Text("quantity");
            if (
                !Enum.TryParse<LearnedQuantity>(quantity, ignoreCase: true, out var of)
                || !Enum.IsDefined(of)
                || int.TryParse(quantity, out _)
            )
            {
                line.Problems.Add(
                    "quantity",
                    "unknown",
                    $"Number: expected {string.Join(", ", Enum.GetNames<LearnedQuantity>())}, got “{quantity}”."
                );
                return;
            }
            LearnedChoiceEntry choice = new()
            {
                Quantity = of,
                Pinned = line.Amount("pinned") is { Value: not null } pinned ? pinned : null,
                Reason = line.Text("reason"),
            };
            if (line.Problems.Problems.Count > 0 || !target.Read(line.LineNumber, () => choice.Read()))
                return;
            if (!_choices.TryGetValue(planting, out var choices))
                _choices.Add(planting, choices = []);
            if (choices.Exists(c => c.Choice.Quantity == of))
                line.Problems.Add("quantity", "duplicate", $"Number: planting {planting.Code} has {of} already.");
            else
                choices.Add((line.LineNumber, choice));
        }

        public void Finish()
        {
            foreach (var (planting, choices) in _choices)
            {
                var before = planting.ToLearning().Choices;
                LearnedChoicesEntry entry = new() { Choices = [.. choices.Select(c => c.Choice)] };
                var same = before.SequenceEqual(entry.Choices.OrderBy(c => c.Quantity));
                foreach (var _ in choices)
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
