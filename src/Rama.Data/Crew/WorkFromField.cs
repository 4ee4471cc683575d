using Rama.Core.Crew.Progress;
using Rama.Data.Field;

namespace Rama.Data.Crew;

/// <summary>Work reported from the row or the office: read from the field entries themselves, so that a correction
/// keeps what it corrects.</summary>
public sealed class WorkFromField : FieldHandler<WorkReportEntry>
{
    /// <inheritdoc />
    public override FieldKind Kind => FieldKind.Work;

    /// <inheritdoc />
    protected internal override string Member => "work";

    /// <inheritdoc />
    protected internal override bool IsReadAsKept => true;

    /// <inheritdoc />
    protected internal override bool NeedsRow => false;

    /// <inheritdoc />
    public override bool IsReport => true;

    /// <inheritdoc />
    protected override void Check(WorkReportEntry body) => body.Read();
}
