using System.Text.Json.Serialization;

namespace Rama.Core.Systems;

/// <summary>What one cut is expected to drop.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(NoDrop), "none")]
[JsonDerivedType(typeof(LimbShare), "limbShare")]
[JsonDerivedType(typeof(OneBud), "oneBud")]
public abstract record CutDrop;

/// <summary>Nothing that counts.</summary>
public sealed record NoDrop : CutDrop;

/// <summary>A multiple of the buds on a mean limb standing at that moment.</summary>
/// <param name="OfMeanLimb">Buds on the wood cut ÷ buds on a mean limb.</param>
public sealed record LimbShare(double OfMeanLimb) : CutDrop;

/// <summary>One floral bud.</summary>
public sealed record OneBud : CutDrop;
