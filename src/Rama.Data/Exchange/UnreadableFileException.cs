namespace Rama.Data.Exchange;

/// <summary>A file that cannot be read at all; the message says why and what to do.</summary>
/// <param name="code">What is wrong: <c>type</c>, <c>size</c>, <c>empty</c>, <c>broken</c>, <c>header</c>, <c>bomb</c>,
/// <c>columns</c>.</param>
/// <param name="message">Why, and what to do.</param>
/// <param name="cause">What failed underneath.</param>
public sealed class UnreadableFileException(string code, string message, Exception? cause = null)
    : Exception(message, cause)
{
    /// <summary>What is wrong.</summary>
    public string Code { get; } = code;
}
