@echo off
setlocal DisableDelayedExpansion
rem Finds its own home and a JVM. Unlike its sister for other shells it keeps no class-data archive.
set "home=%~dp0.."
set "java=java.exe"
if defined JAVA_HOME set "java=%JAVA_HOME:"=%\bin\java.exe"
if defined JAVA_HOME if not exist "%java%" goto missing
if not defined JAVA_HOME where java.exe >nul 2>nul
if not defined JAVA_HOME if errorlevel 1 goto missing
rem what is printed is UTF-8; the code page of before is put back
for /f "tokens=2 delims=:." %%C in ('chcp 2^>nul') do set "page=%%C"
chcp 65001 >nul 2>nul
"%java%" -Xlog:disable -Xlog:all=error:stderr -XX:TieredStopAtLevel=1 -XX:+UseSerialGC -Xms40m -XX:MaxNewSize=32m "-Dodd-lantern.home=%home%" -Dodd-lantern.terminal=false -Dodd-lantern.columns=0 %ODD_LANTERN_OPTS% -cp "%home%\lib\*" org.oddlantern.cli.Main %*
set "status=%errorlevel%"
chcp %page% >nul 2>nul
exit /b %status%

:missing
echo odd-lantern: no Java found ("%java%"): install a JDK, version 17 or newer, and put it on the PATH or set JAVA_HOME 1>&2
exit /b 2
