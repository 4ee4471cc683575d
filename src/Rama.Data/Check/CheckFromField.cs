using Rama.Core.Check;
using Rama.Data.Field;

namespace Rama.Data.Check;

/// <summary>A finished tree checked in the row or at the desk: read from the field entries themselves, so that a
/// correction keeps what it corrects.</summary>
public sealed class CheckFromField : FieldHandler<TreeCheckEntry>
{
    /// <inheritdoc />
    public override FieldKind Kind => FieldKind.Check;

    /// <inheritdoc />
    protected internal override string Member => "check";

    /// <inheritdoc />
    protected internal override bool IsReadAsKept => true;

    /// <inheritdoc />
    protected internal override bool NeedsTree => true;

    /// <inheritdoc />
    public override bool IsReport => true;

    /// <inheritdoc />
    protected override TreeCheckEntry Placed(TreeCheckEntry body, FieldEntry entry) =>
        body with
        {
            Row = entry.Row,
            Tree = entry.Tree,
        };

    /// <inheritdoc />
    protected override void Check(TreeCheckEntry body) => body.Read();
}
