using Rama.Core.Systems;
using Rama.Data.History;

namespace Rama.Data.Estate;

/// <summary>A training system as the estate knows it; its name is the system's identifier.</summary>
public sealed class OwnSystemRecord : OwnEntryRecord<TrainingSystem>
{
    /// <inheritdoc />
    public override HistoryPlace Place => new("system", Detail: Name);
}
