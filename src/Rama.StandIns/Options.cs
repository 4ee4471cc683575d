using System.Globalization;

namespace Rama.StandIns;

/// <summary>Options as <c>--name value</c>.</summary>
internal sealed class Options
{
    private readonly Dictionary<string, string> _values = [];

    public Options(string[] arguments)
    {
        for (var i = 0; i < arguments.Length; i += 2)
        {
            if (!arguments[i].StartsWith("--", StringComparison.Ordinal) || i + 1 == arguments.Length)
                throw new ArgumentException($"Expected --name value, got “{arguments[i]}”.");
            _values[arguments[i][2..]] = arguments[i + 1];
        }
    }

    public string Text(string name) =>
        _values.TryGetValue(name, out var value) ? value : throw new ArgumentException($"Please give --{name}.");

    public string? Optional(string name) => _values.GetValueOrDefault(name);

    public double Number(string name, double usual, double least, double most)
    {
        if (!_values.TryGetValue(name, out var text))
            return usual;
        if (double.TryParse(text, CultureInfo.InvariantCulture, out var value) && value >= least && value <= most)
            return value;
        throw new ArgumentException($"--{name}: expected a number from {least} to {most}, got “{text}”.");
    }
}
