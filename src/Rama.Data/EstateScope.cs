namespace Rama.Data;

/// <summary>The estate a unit of work is for. Nothing of another estate is seen; none is set, nothing is seen.</summary>
public sealed class EstateScope
{
    public Guid EstateId { get; set; }
}
