namespace Rama.Core.Decide;

/// <summary>What to do with a planting this winter.</summary>
public enum DecisionKind
{
    /// <summary>Too few floral buds: cut only broken, diseased and hazardous wood.</summary>
    NoPrune,

    /// <summary>About right: cut what the shape needs, at most the tolerance in buds.</summary>
    StructureOnly,

    /// <summary>Too many: remove the surplus.</summary>
    Reduce,
}
