<h1>Don't read me</h1>
<?php
// Prints the batches of the ink room. Some of its calls are wrong.
$mass = 12.5;
printf("%-8s|%8.2f|\n", 'K-07', $mass);
printf('%d of %d' . "\n", 3);
printf('%y', 2.5);
printf("$mass is in the template\n");
echo sprintf(<<<END
Mass %s of %s
END, $mass);
?>
<p>It's over</p>
