using System.Text.Json;
using Rama.Core.Training.Rework;
using Rama.Data.Database;
using Rama.Data.Field;

namespace Rama.Data.Training.Rework;

/// <summary>A reworked tree as it is told from the row.</summary>
/// <param name="Seen">Version of the tree it was told over; 0 for one that was not in rework.</param>
/// <param name="Tree">The tree.</param>
public sealed record ReworkNews(uint Seen, ReworkedTreeEntry Tree);

/// <summary>Reworked trees told from the row. What somebody else has changed meanwhile stays until somebody
/// chooses.</summary>
public sealed class ReworkFromField : FieldHandler<ReworkNews>
{
    /// <inheritdoc />
    public override FieldKind Kind => FieldKind.Rework;

    /// <inheritdoc />
    protected internal override string Member => "rework";

    /// <inheritdoc />
    protected internal override bool NeedsTree => true;

    /// <inheritdoc />
    protected internal override bool HasRoom(FieldGround ground) => ground.Rework.HasRoom;

    /// <inheritdoc />
    protected override ReworkNews Placed(ReworkNews body, FieldEntry entry) =>
        body with
        {
            Tree = body.Tree with { Row = entry.Row, Tree = entry.Tree },
        };

    /// <inheritdoc />
    protected override void Check(ReworkNews body) => body.Tree.Read();

    /// <inheritdoc />
    protected internal override FieldState TakeOver(FieldTaken taken)
    {
        var body = BodyOf(taken.Entry);
        var known = Find(taken.Ground, body.Tree);
        if (known?.Says(body.Tree) == true)
            return FieldState.Superseded;
        var own = taken.Replaced is { } replaced && known?.FieldEntryId == replaced.Id;
        // The office may have marked it to go, or the day may be ahead of this one: looked at by a person.
        if (!(own || (known?.Version ?? 0) == body.Seen) || body.Tree.ProblemsIn(taken.Ground.Rework.Terms).Count > 0)
            return FieldState.Conflict;
        taken.Ground.Rework.Put(body.Tree, taken.Entry.Id);
        return FieldState.InForce;
    }

    // What stood before it is told by the history; a tree that came in with it goes with it.
    /// <inheritdoc />
    protected internal override void Withdraw(FieldGround ground, FieldEntryRecord entry)
    {
        if (BodyOf(entry) is { Seen: 0 } body && Find(ground, body.Tree) is { } known && known.FieldEntryId == entry.Id)
            ground.Rework.Remove(known);
    }

    /// <inheritdoc />
    protected internal override Guid? Choose(FieldGround ground, FieldEntryRecord entry)
    {
        var body = BodyOf(entry);
        body.Tree.Read(ground.Rework.Terms);
        var before = Find(ground, body.Tree)?.FieldEntryId;
        ground.Rework.Put(body.Tree, entry.Id);
        return before;
    }

    /// <inheritdoc />
    public override JsonElement? InForce(FieldGround ground, FieldEntryRecord entry) =>
        Find(ground, BodyOf(entry).Tree) is { } known
            ? JsonSerializer.SerializeToElement(known.ToEntry(), StoredJson.Part)
            : null;

    private static ReworkedTreeRecord? Find(FieldGround ground, ReworkedTreeEntry tree) =>
        ground.Rework.Find((int)tree.Row!.Value, (int)tree.Tree!.Value);
}
