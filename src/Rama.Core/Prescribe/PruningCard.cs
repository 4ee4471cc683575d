using Rama.Core.Decide;
using Rama.Core.Explain;
using Rama.Core.Prescribe.Working;

namespace Rama.Core.Prescribe;

/// <summary>One cut as the card tells it.</summary>
/// <param name="Number">Number in the order, the same as on the screen.</param>
/// <param name="StepId">Identifier of the step, for the drawing.</param>
/// <param name="Made">Whether the cut is made this winter; the drawing shows only those.</param>
/// <param name="Name">The cut in two or three words.</param>
/// <param name="HowMany">How many.</param>
/// <param name="Falls">What is expected on the ground; empty where it cannot be foreseen.</param>
/// <param name="LookFor">What to look for.</param>
/// <param name="How">How to cut.</param>
/// <param name="Caution">Caution at this step.</param>
public sealed record CardCut(
    int Number,
    string StepId,
    bool Made,
    string Name,
    string HowMany,
    string Falls,
    string LookFor,
    string How,
    string? Caution
);

/// <summary>What to leave and cut on the trees of one trunk class.</summary>
/// <param name="Name">The class.</param>
/// <param name="Trunk">How its trunks are told.</param>
/// <param name="Leave">Buds to leave.</param>
/// <param name="Cuts">How many of each cut of the card, in its order; empty where there is none.</param>
/// <param name="PerLimb">Buds to leave on a limb; empty where nothing is brought to a number, and on cards handed
/// out before it was told.</param>
public sealed record CardClass(
    string Name,
    string Trunk,
    string Leave,
    IReadOnlyList<string> Cuts,
    string PerLimb = ""
);

/// <summary>One mark of the limb gauge.</summary>
/// <param name="Limb">Diameter of the limb.</param>
/// <param name="Buds">Buds to leave on it; empty where they are told by trunk class.</param>
/// <param name="ByClass">Buds to leave on it by trunk class, in the order of their headings.</param>
public sealed record CardGaugeMark(string Limb, string Buds, IReadOnlyList<string>? ByClass = null);

/// <summary>A length the cuts go by.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Value">The length with its unit.</param>
/// <param name="Body">The same by the crew's own measure; empty without one that comes near.</param>
public sealed record CardMeasure(string Name, string Value, string Body);

/// <summary>A big number on the card with its caption.</summary>
/// <param name="Value">The number as written.</param>
/// <param name="Caption">What it is.</param>
public sealed record CardNumber(string Value, string Caption);

/// <summary>
/// The page a pruner takes into the row, in words ready to print: what to leave, what to cut in which order, when to
/// stop.
/// </summary>
/// <param name="Language">Language of the card.</param>
/// <param name="Kind">The decision.</param>
/// <param name="Block">Code and name of the block.</param>
/// <param name="About">Variety, rootstock, system, leaf and harvest.</param>
/// <param name="Headline">What to leave, in a sentence.</param>
/// <param name="PerLimb">The same on one limb.</param>
/// <param name="Numbers">Three numbers: standing now, to leave, fruit wanted.</param>
/// <param name="PerTree">Caption: per tree.</param>
/// <param name="CutsHeading">Heading of the cuts.</param>
/// <param name="Cuts">The cuts in order.</param>
/// <param name="IdleHeading">Heading of the cuts not made this winter.</param>
/// <param name="ClassesHeading">Heading of the trunk classes.</param>
/// <param name="ClassLeave">Heading of what they leave.</param>
/// <param name="Classes">Trunk classes; empty where trunks are not known.</param>
/// <param name="GaugeHeading">Heading of the limb gauge.</param>
/// <param name="Gauge">Buds to leave on a limb by its thickness; empty under no prune.</param>
/// <param name="Stop">The stop rule.</param>
/// <param name="Look">How the right result will look.</param>
/// <param name="Notes">Thinning left over, an unsettled count, checks.</param>
/// <param name="KeepHeading">Heading of what not to cut.</param>
/// <param name="Keep">What not to cut.</param>
/// <param name="SafetyHeading">Heading of the safety line.</param>
/// <param name="Safety">The safety line.</param>
/// <param name="Basis">What the numbers rest on.</param>
/// <param name="DrawingCaption">Caption of the drawing.</param>
/// <param name="MeasuresHeading">Heading of the lengths.</param>
/// <param name="Measures">Lengths the cuts go by; null, as the drawing is, on a card handed out before they were
/// kept.</param>
/// <param name="Drawing">The drawing.</param>
/// <param name="Version">Version of the prescription, once handed out.</param>
/// <param name="PerLimbHeading">Heading of the buds to leave on a limb, by trunk class.</param>
/// <param name="GaugeClasses">Headings of the trunk classes over the gauge; empty where one number holds for
/// all.</param>
/// <param name="GaugeNote">What to do with a limb thicker than the gauge that stays; empty where there is none.</param>
/// <param name="Units">Units its lengths are told in.</param>
/// <param name="Way">How the crew works to the number; null where there is none, and on cards handed out before it
/// was chosen.</param>
/// <param name="Tape">The bud tape; null where limbs are not read.</param>
public sealed record PruningCard(
    string Language,
    DecisionKind Kind,
    string Block,
    string About,
    string Headline,
    string PerLimb,
    IReadOnlyList<CardNumber> Numbers,
    string PerTree,
    string CutsHeading,
    IReadOnlyList<CardCut> Cuts,
    string IdleHeading,
    string ClassesHeading,
    string ClassLeave,
    IReadOnlyList<CardClass> Classes,
    string GaugeHeading,
    IReadOnlyList<CardGaugeMark> Gauge,
    string Stop,
    string Look,
    IReadOnlyList<string> Notes,
    string KeepHeading,
    IReadOnlyList<string> Keep,
    string SafetyHeading,
    string Safety,
    string Basis,
    string DrawingCaption,
    string MeasuresHeading = "",
    IReadOnlyList<CardMeasure>? Measures = null,
    CardDrawing? Drawing = null,
    int? Version = null,
    string PerLimbHeading = "",
    IReadOnlyList<string>? GaugeClasses = null,
    string GaugeNote = "",
    UnitSystem Units = UnitSystem.Metric,
    WayOfWorking? Way = null,
    CardTape? Tape = null
)
{
    /// <summary>Writes the card of a planting.</summary>
    /// <param name="of">What is to be cut.</param>
    /// <param name="reader">Who it is written for.</param>
    public static PruningCard Of(PrescribedPlanting of, CardReader reader) => new CardWriter(of, reader).Write();
}
