using System.Net.Http.Headers;

namespace Rama.StandIns;

/// <summary>Sends a file to Rama as a machine does: with a token a manager made on the page People.</summary>
internal static class Sending
{
    /// <summary>Where the token is where no option has it, so that it stands in no list of processes.</summary>
    private const string TokenVariable = "RAMA_TOKEN";

    /// <summary>Sends it, and tells what Rama answered; 0 where it was taken.</summary>
    /// <param name="options">Has <c>--to</c>, where Rama is.</param>
    /// <param name="table">What the file holds.</param>
    /// <param name="name">Name of the file.</param>
    /// <param name="content">The file.</param>
    public static async Task<int> SendAsync(Options options, string table, string name, Stream content)
    {
        var token = options.Optional("token")
            ?? Environment.GetEnvironmentVariable(TokenVariable)
            ?? throw new ArgumentException($"Please give --token, or set {TokenVariable}.");
        if (!Uri.TryCreate(options.Text("to"), UriKind.Absolute, out var rama))
            throw new ArgumentException("--to: expected an address such as http://127.0.0.1:5080.");
        using HttpClient client = new();
        client.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue("Bearer", token);
        using StreamContent body = new(content);
        body.Headers.ContentType = new("text/csv");
        try
        {
            using var answer = await client.PostAsync(
                new Uri(rama, $"/api/v1/machine/{table}?name={Uri.EscapeDataString(name)}"),
                body
            );
            Console.WriteLine($"{(int)answer.StatusCode} {await answer.Content.ReadAsStringAsync()}");
            return answer.IsSuccessStatusCode ? 0 : 1;
        }
        catch (HttpRequestException e)
        {
            Console.Error.WriteLine($"Rama does not answer at {rama}: {e.Message}");
            return 1;
        }
    }
}
