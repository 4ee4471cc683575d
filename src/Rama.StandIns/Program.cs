using Rama.StandIns;

// Simulated devices, to try Rama without the real ones. What they tell is made up.
try
{
    return args switch
    {
        ["caliper", .. var rest] => await CaliperStandIn.RunAsync(new Options(rest)),
        ["station", .. var rest] => await StationStandIn.RunAsync(new Options(rest)),
        ["scanner", .. var rest] => await ScannerStandIn.RunAsync(new Options(rest)),
        _ => Usage(),
    };
}
catch (ArgumentException e)
{
    Console.Error.WriteLine(e.Message);
    return 2;
}

static int Usage()
{
    Console.Error.WriteLine(
        """
        Simulated devices; what they tell is made up.
          caliper [--mean-mm 52] [--sd-mm 7] [--every-seconds 6] [--seed 1]
              a trunk caliper: tells a girth now and then at http://127.0.0.1:5077/readings
          station [--port 5078] [--seed 1]
              a weather station with a forecast: answers hours at http://127.0.0.1:5078/hours
          station --to http://127.0.0.1:5080 --site NAME [--days 3] [--before 2027-01-27] [--latitude 45.6]
                  [--token TOKEN] [--seed 1]
              the same station, that sends the days before one to Rama by itself; the token may stand in RAMA_TOKEN
          scanner --rows rows.csv --planting CODE --out scan.csv [--trunks trunks.csv] [--counts counts.csv --season YEAR] [--mean-mm 52] [--sd-mm 6]
                  [--buds-per-cm2 11] [--share 0.8] [--error-cv 0.12] [--leaders 0] [--seed 1]
                  [--to http://127.0.0.1:5080 [--token TOKEN]]
              a canopy scanner: writes a line a tree. Of the buds that stand, made up from the trunks, it sees the share given,
              with the error given, so that its calibration can be checked; with --to it sends the file by itself
        """
    );
    return 2;
}
