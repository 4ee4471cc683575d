namespace Rama.Core.Explain;

/// <summary>Where formulas and assumed values come from, worded once.</summary>
public static class Sources
{
    /// <summary>A definition that needs no further source.</summary>
    public const string Definition = "definition";

    /// <summary>A fact of the trade.</summary>
    public const string Practice = "common practice, no source";

    /// <summary>A default of Rama's own, to be replaced by the estate's own records.</summary>
    public const string Assumption = "assumption, to be replaced by your own records";

    /// <summary>What an estate has learned itself.</summary>
    public const string OwnRecords = "own records of the estate";

    /// <summary>What a person entered.</summary>
    public const string Entered = "entered";

    /// <summary>What held when a target was saved.</summary>
    public const string TakenOver = "as it stood when the target was set";

    /// <summary>Taken from the rows of the planting.</summary>
    public const string RowList = "row list of the planting";

    /// <summary>Counted in the block.</summary>
    public const string Counted = "counted in the block";

    /// <summary>Published tables of trees per acre, 43 560 square feet over the spacing.</summary>
    public const string SpacingTables = "standard spacing tables, 43 560 sq ft ÷ (row × tree spacing)";

    /// <summary>Textbook interval for a mean.</summary>
    public const string StudentT = "Student's t interval for a mean; Cochran, Sampling Techniques";
}
