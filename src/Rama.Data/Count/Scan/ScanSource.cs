using System.Globalization;
using System.Text;
using System.Text.Json;
using Parquet;
using Parquet.Schema;
using Rama.Data.Exchange;
using Sylvan.Data.Csv;

namespace Rama.Data.Count.Scan;

/// <summary>A file of scanned trees, read line by line: millions of them are never held as objects.</summary>
internal abstract class ScanSource : IDisposable
{
    // Enough to see headers, decimal sign and delimiter.
    private const int HeadBytes = 64 * 1024;

    /// <summary>Headers.</summary>
    public required IReadOnlyList<string> Headers { get; init; }

    /// <summary>The first lines, as text.</summary>
    public required IReadOnlyList<IReadOnlyList<object?>> Samples { get; init; }

    /// <summary>Number of the line at hand, as a person counts: the header is line 1.</summary>
    public abstract int Line { get; }

    /// <summary>Goes to the next line; false after the last.</summary>
    public abstract bool Next();

    /// <summary>A cell as text; empty where there is none.</summary>
    public abstract ReadOnlySpan<char> Text(int column);

    /// <summary>A cell as a number; NaN where it is empty. False where it is no number.</summary>
    public abstract bool Number(int column, bool decimalComma, out double value);

    /// <summary>Where the feature of the line lies; null in files that are no maps.</summary>
    public virtual (double Longitude, double Latitude)? Position => null;

    public virtual void Dispose() { }

    /// <summary>Opens a file; what it is, its first bytes tell.</summary>
    /// <param name="name">Its name, told in errors.</param>
    /// <param name="stream">Its content, which can be read more than once.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnreadableFileException">Says what is wrong with the file as a whole.</exception>
    public static async Task<ScanSource> OpenAsync(string name, Stream stream, CancellationToken cancel)
    {
        var head = new byte[Math.Min(HeadBytes, stream.Length)];
        await stream.ReadExactlyAsync(head, cancel);
        stream.Position = 0;
        switch (head)
        {
            case []:
                throw new UnreadableFileException("empty", "The file is empty.");
            case [(byte)'P', (byte)'A', (byte)'R', (byte)'1', ..]:
                return await ParquetSource.ReadAsync(stream, cancel);
            case [(byte)'P', (byte)'K', ..] or [0xFF, 0xFE, ..] or [0xFE, 0xFF, ..]:
                return TableSource.Of(SheetReader.Read(name, await AllAsync(stream, cancel), cancel));
        }
        var text = Encoding.UTF8.GetString(head);
        if (text.AsSpan().TrimStart("\uFEFF \r\n\t") is ['{', ..])
            return TableSource.Of(SheetReader.Read(name, await AllAsync(stream, cancel), cancel));
        // The last line of the head may be cut in two.
        var whole = stream.Length > head.Length && text.LastIndexOf('\n') is > 0 and var end ? text[..end] : text;
        var sheet = SheetReader.Read(name, Encoding.UTF8.GetBytes(whole), cancel);
        return new CsvSource(stream)
        {
            Headers = sheet.Headers,
            Samples = [.. sheet.Lines.Take(20).Select(l => l.Cells)],
        };
    }

    private static async Task<byte[]> AllAsync(Stream stream, CancellationToken cancel)
    {
        if (stream.Length > SheetReader.MostBytes)
            throw new UnreadableFileException(
                "size",
                $"A workbook or map of more than {SheetReader.MostBytes / 1024 / 1024} MB is not read. Save it "
                    + "as CSV or Parquet."
            );
        var content = new byte[stream.Length];
        await stream.ReadExactlyAsync(content, cancel);
        return content;
    }

    private protected static bool Parse(ReadOnlySpan<char> text, bool decimalComma, out double value)
    {
        text = text.Trim();
        if (text.IsEmpty)
        {
            value = double.NaN;
            return true;
        }
        // Most numbers of a scan are short and whole.
        if (text.Length <= 6 && !text.ContainsAnyExceptInRange('0', '9'))
        {
            var whole = 0;
            foreach (var digit in text)
                whole = whole * 10 + (digit - '0');
            value = whole;
            return true;
        }
        if (decimalComma && text.Contains(','))
        {
            Span<char> pointed = stackalloc char[Math.Min(text.Length, 40)];
            text[..pointed.Length].Replace(pointed, ',', '.');
            return double.TryParse(
                pointed,
                NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint,
                CultureInfo.InvariantCulture,
                out value
            );
        }
        return double.TryParse(
            text,
            NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint,
            CultureInfo.InvariantCulture,
            out value
        );
    }

    private sealed class CsvSource(Stream stream) : ScanSource
    {
        private readonly CsvDataReader _reader = Open(stream);

        public override int Line => _reader.RowNumber + 1;

        public override bool Next()
        {
            try
            {
                return _reader.Read();
            }
            catch (CsvFormatException e)
            {
                throw new UnreadableFileException(
                    "broken",
                    $"Line {_reader.RowNumber + 2} cannot be read: a quote is not closed.",
                    e
                );
            }
        }

        public override ReadOnlySpan<char> Text(int column) =>
            column < _reader.RowFieldCount ? SheetWriter.WithoutMark(_reader.GetFieldSpan(column).Trim()) : [];

        public override bool Number(int column, bool decimalComma, out double value) =>
            Parse(Text(column), decimalComma, out value);

        public override void Dispose() => _reader.Dispose();

        private static CsvDataReader Open(Stream stream)
        {
            try
            {
                // A line with too few cells says nothing in those; that is no reason to stop at it.
                return CsvDataReader.Create(
                    new StreamReader(stream, Encoding.UTF8, true, 1 << 16),
                    new CsvDataReaderOptions { BufferSize = 1 << 16, MaxBufferSize = 1 << 20 }
                );
            }
            catch (CsvFormatException e)
            {
                throw new UnreadableFileException("broken", "This table cannot be read: a quote is not closed.", e);
            }
        }
    }

    private sealed class TableSource(Sheet sheet) : ScanSource
    {
        private int _at = -1;

        public static TableSource Of(Sheet sheet) =>
            new(sheet) { Headers = sheet.Headers, Samples = [.. sheet.Lines.Take(20).Select(l => l.Cells)] };

        public override int Line => sheet.Lines[_at].Number;

        public override (double Longitude, double Latitude)? Position =>
            sheet.Lines[_at].Cells.OfType<JsonElement>().FirstOrDefault()
                is { ValueKind: JsonValueKind.Object } geometry
            && geometry.TryGetProperty("type", out var type)
            && type.ValueEquals("Point")
            && geometry.TryGetProperty("coordinates", out var at)
            && at.ValueKind == JsonValueKind.Array
            && at.GetArrayLength() >= 2
            && at[0].TryGetDouble(out var longitude)
            && at[1].TryGetDouble(out var latitude)
                ? (longitude, latitude)
                : null;

        public override bool Next() => ++_at < sheet.Lines.Count;

        public override ReadOnlySpan<char> Text(int column) =>
            sheet.Lines[_at][column] switch
            {
                string text => text.AsSpan().Trim(),
                double number => number.ToString(CultureInfo.InvariantCulture),
                _ => [],
            };

        public override bool Number(int column, bool decimalComma, out double value)
        {
            if (sheet.Lines[_at][column] is not double number)
                return Parse(sheet.Lines[_at][column] as string, decimalComma, out value);
            value = number;
            return true;
        }
    }

    private sealed class ParquetSource(List<(string[]? Text, double[]? Numbers)> columns, int lines) : ScanSource
    {
        private int _at = -1;

        // A column store has no lines; trees are counted as a person would if it were printed.
        public override int Line => _at + 2;

        public override bool Next() => ++_at < lines;

        public override ReadOnlySpan<char> Text(int column) =>
            columns[column].Text is { } text ? text[_at].AsSpan().Trim()
            : columns[column].Numbers![_at] is var number && double.IsNaN(number) ? []
            : number.ToString(CultureInfo.InvariantCulture);

        public override bool Number(int column, bool decimalComma, out double value)
        {
            if (columns[column].Numbers is not { } numbers)
                return Parse(Text(column), decimalComma, out value);
            value = numbers[_at];
            return true;
        }

        public static async Task<ScanSource> ReadAsync(Stream stream, CancellationToken cancel)
        {
            try
            {
                await using var reader = await ParquetReader.CreateAsync(stream, cancellationToken: cancel);
                var fields = reader.Schema.GetDataFields();
                var text = fields.Select(f => IsText(f) ? new List<string>() : null).ToList();
                var numbers = fields.Select(f => IsText(f) ? null : new List<double>()).ToList();
                for (var g = 0; g < reader.RowGroupCount; g++)
                {
                    using var group = reader.OpenRowGroupReader(g);
                    foreach (var (i, field) in fields.Index())
                    {
                        if (text[i] is { } words)
                            words.AddRange(await WordsAsync(group, field, cancel));
                        else
                            numbers[i]!.AddRange(await NumbersAsync(group, field, cancel));
                    }
                }
                var lines = text.Zip(numbers, (t, n) => t?.Count ?? n!.Count).DefaultIfEmpty(0).Min();
                if (lines == 0)
                    throw new UnreadableFileException("empty", "The file holds no trees.");
                ParquetSource source = new([.. text.Zip(numbers, (t, n) => (t?.ToArray(), n?.ToArray()))], lines)
                {
                    Headers = [.. fields.Select(f => f.Name)],
                    Samples = [],
                };
                return source;
            }
            catch (Exception e)
                when (e is not OperationCanceledException and not UnreadableFileException and not OutOfMemoryException)
            {
                throw new UnreadableFileException(
                    "broken",
                    "This Parquet file cannot be read. Export it again, or use CSV.",
                    e
                );
            }
        }

        private static bool IsText(DataField field) =>
            field.ClrType == typeof(string) || field.ClrType == typeof(ReadOnlyMemory<char>);

        private static async Task<IEnumerable<string>> WordsAsync(
            ParquetRowGroupReader group,
            DataField field,
            CancellationToken cancel
        )
        {
            var words = new string?[group.RowCount];
            await group.ReadAsync(field, words.AsMemory(), null, cancel);
            return words.Select(w => w ?? "");
        }

        private static Task<double[]> NumbersAsync(
            ParquetRowGroupReader group,
            DataField field,
            CancellationToken cancel
        ) =>
            Type.GetTypeCode(field.ClrType) switch
            {
                TypeCode.Double => ReadAsync<double>(group, field, cancel),
                TypeCode.Single => ReadAsync<float>(group, field, cancel),
                TypeCode.Int64 => ReadAsync<long>(group, field, cancel),
                TypeCode.Int32 => ReadAsync<int>(group, field, cancel),
                TypeCode.Int16 => ReadAsync<short>(group, field, cancel),
                TypeCode.UInt32 => ReadAsync<uint>(group, field, cancel),
                TypeCode.Byte => ReadAsync<byte>(group, field, cancel),
                // Days, flags and the like tell nothing of a tree.
                _ => Task.FromResult(Enumerable.Repeat(double.NaN, (int)group.RowCount).ToArray()),
            };

        private static async Task<double[]> ReadAsync<T>(
            ParquetRowGroupReader group,
            DataField field,
            CancellationToken cancel
        )
            where T : struct, IConvertible
        {
            if (field.IsNullable)
            {
                var nullable = new T?[group.RowCount];
                await group.ReadAsync(field, nullable.AsMemory(), null, cancel);
                return [.. nullable.Select(v => v?.ToDouble(CultureInfo.InvariantCulture) ?? double.NaN)];
            }
            var values = new T[group.RowCount];
            await group.ReadAsync(field, values.AsMemory(), null, cancel);
            return [.. values.Select(v => v.ToDouble(CultureInfo.InvariantCulture))];
        }
    }
}
