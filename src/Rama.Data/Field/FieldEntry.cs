using System.Text.Json;
using Rama.Core.Explain;

namespace Rama.Data.Field;

/// <summary>
/// What is made in the field, whatever it tells: an envelope with a body that the handler of its kind reads.
/// </summary>
public sealed record FieldEntry
{
    /// <summary>Made up on the device, so that an entry sent twice is one.</summary>
    public required Guid Id { get; init; }

    /// <summary>Its place among the entries of the device.</summary>
    public required long Sequence { get; init; }

    /// <summary>Estate it was made for; the one at hand where a phone left it out, as earlier ones did.</summary>
    public Guid? Estate { get; init; }

    /// <summary>The planting.</summary>
    public required Guid Planting { get; init; }

    /// <summary>When it was made, by the device's clock.</summary>
    public required DateTimeOffset At { get; init; }

    /// <summary>Who made it, where others send with the same device; the sender when left out.</summary>
    public Guid? Person { get; init; }

    /// <summary>Season it was made for; the one at hand when left out.</summary>
    public int? Season { get; init; }

    /// <summary>What it tells, a word of <see cref="FieldKind"/>; left out where it only takes another back.</summary>
    public string? Kind { get; init; }

    /// <summary>The entry it takes the place of, or takes back where it tells nothing itself.</summary>
    public Guid? Supersedes { get; init; }

    /// <summary>Row of the tree, 1 to 9 999.</summary>
    public double? Row { get; init; }

    /// <summary>Tree in the row, 1 to 9 999.</summary>
    public double? Tree { get; init; }

    /// <summary>What is told, in the form of its kind.</summary>
    public JsonElement? Body { get; init; }

    /// <summary>A tree counted, as phones sent it before there were kinds.</summary>
    public JsonElement? Counted { get; init; }

    /// <summary>Why a tree was left out, as phones sent it before there were kinds.</summary>
    public JsonElement? SkipReason { get; init; }

    /// <summary>Buds cut, as phones sent them before there were kinds.</summary>
    public JsonElement? Cut { get; init; }

    /// <summary>What was seen, as phones sent it before there were kinds.</summary>
    public JsonElement? Mark { get; init; }

    /// <summary>Whether it only takes another entry back.</summary>
    internal bool IsWithdrawal => Supersedes is not null && Kind is null;

    /// <summary>The entry in today's form: a queue filled by an earlier page still arrives.</summary>
    /// <exception cref="UnusableEntryException">It tells more than one thing, or none.</exception>
    internal FieldEntry InKinds()
    {
        List<(FieldKind Kind, JsonElement Body)> told =
        [
            .. new[]
            {
                (FieldKind.Tree, Counted),
                (FieldKind.Skip, SkipReason),
                (FieldKind.Cut, Cut),
                (FieldKind.Mark, Mark),
            }
                .Where(o => o.Item2 is { ValueKind: not JsonValueKind.Null })
                .Select(o => (o.Item1, o.Item2!.Value)),
        ];
        if (told.Count + (Kind is null ? 0 : 1) > 1)
            throw new UnusableEntryException([new("kind", "conflict", "Expected one thing told, not several.")]);
        return told is [var (kind, body)]
            ? this with
            {
                Kind = kind.ToString(),
                Body = body,
                Counted = null,
                SkipReason = null,
                Cut = null,
                Mark = null,
            }
            : this;
    }
}

/// <summary>What a device sends: its entries in the order they were made.</summary>
public sealed record FieldBatch
{
    /// <summary>Most entries sent at once.</summary>
    public const int MostEntries = 200;

    /// <summary>The device.</summary>
    public required Guid Device { get; init; }

    /// <summary>Now, by the device's clock.</summary>
    public required DateTimeOffset SentAt { get; init; }

    /// <summary>The entries.</summary>
    public required IReadOnlyList<FieldEntry> Entries { get; init; }
}

/// <summary>A <see cref="FieldBatch"/> as it comes: each entry is read by itself, so that one costs no other.</summary>
public sealed record SentFieldBatch
{
    /// <inheritdoc cref="FieldBatch.Device"/>
    public required Guid Device { get; init; }

    /// <inheritdoc cref="FieldBatch.SentAt"/>
    public required DateTimeOffset SentAt { get; init; }

    /// <inheritdoc cref="FieldBatch.Entries"/>
    public required IReadOnlyList<JsonElement> Entries { get; init; }
}
