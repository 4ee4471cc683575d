using Rama.Core.Result.Counts;
using Rama.Data.Field;

namespace Rama.Data.Result;

/// <summary>The crop of a tree counted in the course of a season: read from the field entries themselves, so that a
/// correction keeps what it corrects.</summary>
public sealed class CropFromField : FieldHandler<CropCountEntry>
{
    /// <inheritdoc />
    public override FieldKind Kind => FieldKind.Crop;

    /// <inheritdoc />
    protected internal override string Member => "crop";

    /// <inheritdoc />
    protected internal override bool IsReadAsKept => true;

    /// <inheritdoc />
    protected internal override bool NeedsTree => true;

    /// <inheritdoc />
    protected override CropCountEntry Placed(CropCountEntry body, FieldEntry entry) =>
        body with
        {
            Row = entry.Row,
            Tree = entry.Tree,
        };

    /// <inheritdoc />
    protected override void Check(CropCountEntry body) => body.Read();
}
