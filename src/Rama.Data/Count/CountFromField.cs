using System.Text.Json;
using Rama.Core.Count;
using Rama.Core.Count.Floral;
using Rama.Core.Count.Vigour;
using Rama.Core.Explain;
using Rama.Data.Database;
using Rama.Data.Field;

namespace Rama.Data.Count;

/// <summary>Trees counted in the field. Two who count one tree both stay until somebody chooses.</summary>
public sealed class CountedTreesFromField : FieldHandler<CountedTreeEntry>
{
    /// <inheritdoc />
    public override FieldKind Kind => FieldKind.Tree;

    /// <inheritdoc />
    protected internal override string Member => "counted";

    /// <inheritdoc />
    protected internal override bool HasRoom(FieldGround ground) => ground.Plan.Trees.Count < SurveyEntry.MostTrees;

    /// <inheritdoc />
    protected internal override bool NeedsTree => true;

    /// <inheritdoc />
    protected override CountedTreeEntry Placed(CountedTreeEntry body, FieldEntry entry) =>
        body with
        {
            Row = entry.Row,
            Tree = entry.Tree,
        };

    // A share stands in for buds not cut yet: whether a count can be used does not hang on them.
    /// <inheritdoc />
    protected override void Check(CountedTreeEntry body) =>
        CheckAlone("trees[0].", new SurveyEntry { Trees = [body], FloralShare = new(50, "%") }.Read);

    /// <inheritdoc />
    protected internal override FieldState TakeOver(FieldTaken taken)
    {
        var body = BodyOf(taken.Entry);
        var counted = taken.Ground.Plan.Find((int)body.Row!.Value, (int)body.Tree!.Value);
        // The same tree, corrected by who counted it; anybody else's count of it is not theirs to change.
        if (counted is null || taken.Replaced is { } replaced && counted.FieldEntryId == replaced.Id)
        {
            taken.Ground.Plan.TakeOver(body, taken.Entry.Id);
            return FieldState.InForce;
        }
        return counted.Says(body) ? FieldState.Superseded : FieldState.Conflict;
    }

    /// <inheritdoc />
    protected internal override void Withdraw(FieldGround ground, FieldEntryRecord entry)
    {
        if (Find(ground, entry) is { } counted && counted.FieldEntryId == entry.Id)
            ground.Plan.Remove(counted);
    }

    /// <inheritdoc />
    protected internal override Guid? Choose(FieldGround ground, FieldEntryRecord entry)
    {
        var before = Find(ground, entry)?.FieldEntryId;
        ground.Plan.TakeOver(BodyOf(entry), entry.Id);
        return before;
    }

    /// <inheritdoc />
    public override JsonElement? InForce(FieldGround ground, FieldEntryRecord entry) =>
        Find(ground, entry) is { } counted
            ? JsonSerializer.SerializeToElement(counted.ToEntry(), StoredJson.Part)
            : null;

    private static CountedTreeRecord? Find(FieldGround ground, FieldEntryRecord entry) =>
        ground.Plan.Find(entry.Row!.Value, entry.Tree!.Value);
}

/// <summary>Trees of the walk that were left out, with the reason.</summary>
public sealed class SkippedTreesFromField : FieldHandler<string>
{
    /// <inheritdoc />
    public override FieldKind Kind => FieldKind.Skip;

    /// <inheritdoc />
    protected internal override string Member => "skipReason";

    /// <inheritdoc />
    protected internal override bool NeedsTree => true;

    /// <inheritdoc />
    protected override void Check(string body)
    {
        var reader = new EntryReader();
        reader.Text("", "Reason", body, 200);
        reader.ThrowIfAny();
    }
}

/// <summary>Buds cut in the field: they count towards the share that is floral.</summary>
public sealed class CutBudsFromField : FieldHandler<BudCutEntry>
{
    /// <inheritdoc />
    public override FieldKind Kind => FieldKind.Cut;

    /// <inheritdoc />
    protected internal override string Member => "cut";

    /// <inheritdoc />
    protected internal override bool HasRoom(FieldGround ground) =>
        ground.Plan.ToCount().BudCuts.Count < SurveyEntry.MostTrees;

    /// <inheritdoc />
    protected override BudCutEntry Placed(BudCutEntry body, FieldEntry entry) =>
        body with
        {
            Row = entry.Tree is null ? null : entry.Row,
            Tree = entry.Tree,
        };

    /// <inheritdoc />
    protected override void Check(BudCutEntry body) =>
        CheckAlone("budCuts[0].", new SurveyEntry { BudCuts = [body] }.Read);

    /// <inheritdoc />
    protected internal override FieldState TakeOver(FieldTaken taken)
    {
        var count = taken.Ground.Plan.ToCount();
        var cuts = count.BudCuts.ToList();
        var at = taken.Replaced is { } before ? cuts.IndexOf(BodyOf(before)) : -1;
        if (at >= 0)
            cuts[at] = BodyOf(taken.Entry);
        else
            cuts.Add(BodyOf(taken.Entry));
        taken.Ground.Plan.TakeOver(count with { BudCuts = cuts });
        return FieldState.InForce;
    }

    /// <inheritdoc />
    protected internal override void Withdraw(FieldGround ground, FieldEntryRecord entry)
    {
        var count = ground.Plan.ToCount();
        var cuts = count.BudCuts.ToList();
        if (cuts.Remove(BodyOf(entry)))
            ground.Plan.TakeOver(count with { BudCuts = cuts });
    }
}

/// <summary>What was seen on the vigour walk: read from the field entries themselves.</summary>
public sealed class MarksFromField : FieldHandler<VigourMarkEntry>
{
    /// <inheritdoc />
    public override FieldKind Kind => FieldKind.Mark;

    /// <inheritdoc />
    protected internal override string Member => "mark";

    /// <inheritdoc />
    protected internal override bool IsReadAsKept => true;

    /// <inheritdoc />
    protected override VigourMarkEntry Placed(VigourMarkEntry body, FieldEntry entry) =>
        body with
        {
            Row = entry.Row,
            Tree = entry.Tree,
        };

    /// <inheritdoc />
    protected override void Check(VigourMarkEntry body) => body.Read();
}
