using Rama.Core.Decide;
using Rama.Core.Explain;
using Rama.Core.Systems;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Prescribe;

/// <summary>A decision to prescribe for, as typed.</summary>
public sealed record PrescriptionEntry
{
    /// <summary>Identifier of the training system.</summary>
    public string? System { get; init; }

    /// <summary>Limbs on a mean tree before pruning; the system's usual number when left out.</summary>
    public double? LimbsPerTree { get; init; }

    /// <summary>Buds standing against buds wanted.</summary>
    public DecisionEntry? Decision { get; init; }

    /// <summary>Reads the entry and prescribes.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public Prescription Calculate()
    {
        var reader = new EntryReader();
        var system = TrainingSystem.Find(System);
        if (system is null)
            reader.Add("system", "unknown", "System: please choose a training system.");
        var limbs = BudFactorEntry.ReadLimbs(reader, LimbsPerTree);
        var decision = reader.Under("decision", (Decision ?? new()).Calculate);
        reader.ThrowIfAny();
        return Prescription.Of(system!, decision!, new(decision!.Tolerance, decision.CapShare), limbs);
    }
}
