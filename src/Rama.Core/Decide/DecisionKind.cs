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

/// <summary>How hard a reduction is.</summary>
public enum PruningWeight
{
    /// <summary>At most 15 % of the buds.</summary>
    Light,

    /// <summary>At most 35 % of the buds.</summary>
    Standard,

    /// <summary>More than 35 % of the buds.</summary>
    Heavy,
}
