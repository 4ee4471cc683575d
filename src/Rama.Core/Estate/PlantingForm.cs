namespace Rama.Core.Estate;

/// <summary>The ground a planting stands on, in SI.</summary>
/// <param name="RowSpacingM">Metres between rows, 1 to 15.</param>
/// <param name="TreeSpacingM">Metres between trees in the row, 0.2 to 15.</param>
/// <param name="AreaHa">Hectares, 0.01 to 1 000.</param>
/// <param name="MissingShare">Share of tree positions empty, 0 to 0.95.</param>
/// <param name="PollinizerShare">Share of trees not picked, 0 to 0.5.</param>
public sealed record PlantingForm(
    double RowSpacingM,
    double TreeSpacingM,
    double AreaHa,
    double MissingShare = 0,
    double PollinizerShare = 0
);
