using System.Text.Json.Serialization;

namespace Rama.Core.Systems;

/// <summary>How many cuts of a step there are to make at most.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(AsFound), "asFound")]
[JsonDerivedType(typeof(UpTo), "upTo")]
[JsonDerivedType(typeof(ShareOfLimbs), "shareOfLimbs")]
[JsonDerivedType(typeof(ToTheNumber), "toTheNumber")]
public abstract record CutAmount;

/// <summary>Whatever is found; not foreseen and not limited.</summary>
public sealed record AsFound : CutAmount;

/// <summary>At most so many a tree.</summary>
/// <param name="PerTree">Most cuts per tree.</param>
public sealed record UpTo(int PerTree) : CutAmount;

/// <summary>So many of the limbs standing, on average.</summary>
/// <param name="Share">Share of limbs that offer such a cut.</param>
public sealed record ShareOfLimbs(double Share) : CutAmount;

/// <summary>As many as it takes to reach the number.</summary>
/// <param name="MaxShareOfStanding">Largest share of the buds standing before the step.</param>
public sealed record ToTheNumber(double MaxShareOfStanding) : CutAmount;
